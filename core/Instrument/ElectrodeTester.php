<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** The three-spike electrode tester: alternating current of its own between an electrode and a far spike. */
final readonly class ElectrodeTester implements Instrument
{
    private const HERTZ = 128.0;

    public function slug(): string
    {
        return 'electrode-tester';
    }

    public function words(): string
    {
        return 'Electrode, three spikes';
    }

    public function unit(): Unit
    {
        return Unit::Ohm;
    }

    public function leads(): array
    {
        return ['electrode', 'spikes'];
    }

    public function deadOnly(): bool
    {
        return true;
    }

    public function trap(): string
    {
        return 'Spikes whose resistance areas overlap read low: move the middle one 6 m either way, three readings within 5 %.';
    }

    public function excitation(): Excitation
    {
        return Excitation::tester(self::HERTZ);
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        [$y] = $ports->norton($leads[0]);
        $ohms = $y->modulus() > 0.0 ? 1.0 / $y->modulus() : \INF;

        return $ohms > $this->scale()->top() ? Shown::over($ohms) : Shown::value($ohms);
    }

    public function scale(): Scale
    {
        return new Scale([[19.99, 0.01], [199.9, 0.1], [1999.0, 1.0]]);
    }

    public function accuracy(): Accuracy
    {
        // 3 % + 3 digits for the tester, 10 % for the method
        return new Accuracy(0.10, 3.0);
    }
}
