<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What each of several ways to earth carries. */
final readonly class EarthDivision extends NamedSum
{
    public function __construct()
    {
        parent::__construct('earth-division', 'How current divides among parallel earths', 'Iₖ = I·Gₖ / ΣG', 'Conductances side by side', 'A clamp on one earth sees its share only; none at all is no proof that it may be parted.');
    }

    public function inputs(): array
    {
        return [Input::number('amperes', 'Whole current', 'A', 10.0, 0.0, 10000.0), Input::numbers('ohms', 'Resistance of each path', 'Ω', [0.2, 2.0, 20.0], 1e-4, 1e6)];
    }

    public function work(Given $given): array
    {
        $paths = $given->numbers('ohms');
        $siemens = array_map(static fn (float $ohms): float => 1.0 / $ohms, $paths);
        $figures = [Figure::of('All together', 1.0 / array_sum($siemens), 'Ω')];
        foreach ($siemens as $at => $own) {
            $figures[] = Figure::of(\sprintf('Path %d, %s Ω', $at + 1, Figure::rounded($paths[$at])), $given->number('amperes') * $own / array_sum($siemens), 'A');
        }

        return $figures;
    }
}
