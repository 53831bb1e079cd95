<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What stands on a residual device without any fault, against the share that leaves it room. */
final readonly class LeakageBudget extends NamedSum
{
    private const SHARE = 0.3;

    public function __construct()
    {
        parent::__construct('leakage-budget', 'Leakage budget of a residual device', 'I = √(ΣR² + ΣC²), at most 30 % of the rating', 'Phasors at a right angle; 30 % of the rating as good practice', 'The parts add as phasors: resistive with resistive, capacitive with capacitive, then the two at right angles.');
    }

    public function inputs(): array
    {
        return [Input::numbers('resistive', 'Resistive parts', 'mA', [0.3, 0.1, 0.4], 0.0, 500.0), Input::numbers('capacitive', 'Capacitive parts', 'mA', [0.8, 1.5, 3.0], 0.0, 500.0), Input::choice('device', 'Device', ['30' => '30 mA', '10' => '10 mA', '100' => '100 mA', '300' => '300 mA', '5' => '5 mA'])];
    }

    public function work(Given $given): array
    {
        [$r, $c] = [array_sum($given->numbers('resistive')), array_sum($given->numbers('capacitive'))];
        $rating = (float) $given->choice('device');
        $sum = hypot($r, $c);
        $left = sqrt(max(0.0, (self::SHARE * $rating) ** 2 - $r ** 2)) - $c;

        return [
            Figure::of('Standing residual current', $sum, 'mA', $sum > self::SHARE * $rating),
            Figure::of('Of the rating', 100.0 * $sum / $rating, '%', $sum > self::SHARE * $rating),
            Figure::of('30 % of it are', self::SHARE * $rating, 'mA'),
            Figure::of('Room for capacitive leakage', max(0.0, $left), 'mA', $left <= 0.0),
        ];
    }
}
