<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** Currents that are not in step, added as a clamp around them adds them. */
final readonly class PhasorSum extends NamedSum
{
    public function __construct()
    {
        parent::__construct('phasor-sum', 'Currents added as phasors', 'I = |Σ Iₖ∠φₖ|', 'Addition of phasors', 'A clamp around line and neutral reads this sum: what returns cancels.');
    }

    public function inputs(): array
    {
        return [Input::numbers('amperes', 'Currents', 'A', [10.0, 10.0, 10.0], 0.0, 1000.0), Input::numbers('degrees', 'Angles, in the same order', '°', [0.0, 120.0, 240.0], -360.0, 360.0)];
    }

    public function work(Given $given): array
    {
        [$currents, $angles] = [$given->numbers('amperes'), $given->numbers('degrees')];
        if (\count($currents) !== \count($angles)) {
            throw new SumError('degrees', 'Give one angle for each current.');
        }
        $re = array_sum(array_map(static fn (float $current, float $angle): float => $current * cos(deg2rad($angle)), $currents, $angles));
        $im = array_sum(array_map(static fn (float $current, float $angle): float => $current * sin(deg2rad($angle)), $currents, $angles));
        $sum = hypot($re, $im);

        return [Figure::of('Together', $sum < 1e-9 ? 0.0 : $sum, 'A'), Figure::of('Angle', $sum < 1e-9 ? 0.0 : rad2deg(atan2($im, $re)), '°'), Figure::of('Added without their angles', array_sum($currents), 'A')];
    }
}
