<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** How full a conduit is. */
final readonly class ConduitFill extends NamedSum
{
    public function __construct()
    {
        parent::__construct('conduit-fill', 'Conduit fill', 'Σ π·d²/4 against a share of the bore', 'Geometry; 53 % for one, 31 % for two, 40 % for three and more', 'Long runs and bends want less.');
    }

    public function inputs(): array
    {
        return [Input::numbers('diameters', 'Diameter of each, over its insulation', 'mm', [3.0, 3.0, 3.0, 3.0, 3.0], 0.5, 50.0), Input::number('bore', 'Bore of the conduit', 'mm', 16.9, 5.0, 150.0)];
    }

    public function work(Given $given): array
    {
        $cables = $given->numbers('diameters');
        $used = array_sum(array_map(static fn (float $diameter): float => $diameter ** 2, $cables)) / $given->number('bore') ** 2;
        $share = match (\count($cables)) {
            1 => 0.53, 2 => 0.31, default => 0.40,
        };

        return [Figure::of('Filled', 100.0 * $used, '%', $used > $share), Figure::of('Allowed', 100.0 * $share, '%'), Figure::said('So', $used > $share ? 'Too full.' : 'They fit.', $used > $share)];
    }
}
