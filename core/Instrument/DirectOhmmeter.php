<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Network\PortNetwork;

/** What the low-resistance ohmmeter and the insulation tester share: direct current, two leads, dead conductors. */
abstract class DirectOhmmeter implements Instrument
{
    public function unit(): Unit
    {
        return Unit::Ohm;
    }

    public function leads(): array
    {
        return ['A', 'B'];
    }

    public function deadOnly(): bool
    {
        return true;
    }

    public function excitation(): Excitation
    {
        return Excitation::direct();
    }

    public function apply(PortNetwork $ports, array $leads): Shown
    {
        [$siemens] = $ports->norton($leads[0]);
        $ohms = $siemens->re > 0.0 ? 1.0 / $siemens->re : \INF;

        return $ohms > $this->scale()->top() ? Shown::over($ohms) : Shown::value($ohms);
    }
}
