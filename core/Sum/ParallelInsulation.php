<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What several circuits read when they are tested together, and which makes most of it. */
final readonly class ParallelInsulation extends NamedSum
{
    public function __construct()
    {
        parent::__construct('parallel-insulation', 'Insulation of circuits together', '1/R = Σ 1/Rₖ', 'Resistances side by side', 'Over-range circuits count as the top of the tester, so the sum is at least this.');
    }

    public function inputs(): array
    {
        return [Input::numbers('megohms', 'Each circuit', 'MΩ', [200.0, 200.0, 50.0, 2.0], 1e-6, 1e6), Input::number('volts', 'Line to earth', 'V', 230.0, 50.0, 400.0)];
    }

    public function work(Given $given): array
    {
        $all = $given->numbers('megohms');
        $together = 1.0 / array_sum(array_map(static fn (float $one): float => 1.0 / $one, $all));
        $leak = $given->number('volts') / ($together * 1e6) * 1e3;

        return [Figure::of('Together', $together, 'MΩ'), Figure::of('Leaks at the mains', $leak, 'mA'), Figure::of('The lowest of them', min($all), 'MΩ'), Figure::said('The lowest takes', \sprintf('%.0f %% of the leak', 100.0 * $together / min($all)))];
    }
}
