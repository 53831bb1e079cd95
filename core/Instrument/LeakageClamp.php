<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Network\PortNetwork;

/** A clamp: the phasor sum of the currents in the conductors it embraces. {@see Bench} sums; nothing is applied. */
final class LeakageClamp implements Instrument
{
    public function slug(): string
    {
        return 'leakage-clamp';
    }

    public function words(): string
    {
        return 'Leakage clamp';
    }

    public function unit(): Unit
    {
        return Unit::Ampere;
    }

    public function leads(): array
    {
        return [];
    }

    public function deadOnly(): bool
    {
        return false;
    }

    public function excitation(): Excitation
    {
        return Excitation::mains();
    }

    public function apply(PortNetwork $ports, array $leads): Shown
    {
        throw new \LogicException('A clamp has no leads: its reading is the sum of currents that the bench forms.');
    }

    public function scale(): Scale
    {
        return new Scale([[0.06, 0.01e-3], [0.6, 0.1e-3], [60.0, 0.01]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.015, 5.0, 0.05e-3, 0.003);
    }
}
