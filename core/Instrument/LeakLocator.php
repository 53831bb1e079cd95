<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/**
 * Direct current of 0.2 A through a leaking and a sound core joined at the far end, and a voltmeter of 10 MΩ from the near
 * end of the leaking one to what it leaks to: volts over amperes are the resistance of that core up to the leak.
 */
final readonly class LeakLocator implements Instrument
{
    private const INPUT_OHMS = 10e6;

    /** A leak above a tenth of the voltmeter's resistance cannot be placed. */
    private const MOST_LEAK_OHMS = 1e6;

    public function slug(): string
    {
        return 'leak-locator';
    }

    public function words(): string
    {
        return 'Place of a leak';
    }

    public function unit(): Unit
    {
        return Unit::Ohm;
    }

    public function leads(): array
    {
        return ['leaking core', 'sound core', 'leaks to'];
    }

    public function deadOnly(): bool
    {
        return true;
    }

    public function trap(): string
    {
        return 'Nothing where the leak is above 1 MΩ; two leaks read as one between them; the cores have to be of one size.';
    }

    public function excitation(): Excitation
    {
        return Excitation::direct();
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        [$siemens] = $ports->norton($leads[0]);
        $driven = clone $ports;
        $driven->drive($leads[1], $leads[0], 1.0);

        return $this->placed(0.0 === $siemens->re ? \INF : 1.0 / $siemens->re, ($driven->volts()[$leads[0]] ?? null)?->modulus() ?? 0.0);
    }

    /**
     * @param float $leak  ohms from the leaking core to what it leaks to
     * @param float $along ohms: volts there for an ampere along the two cores
     */
    public function placed(float $leak, float $along): Shown
    {
        if ($leak > self::MOST_LEAK_OHMS) {
            return Shown::nothing();
        }
        $ohms = $along * self::INPUT_OHMS / (self::INPUT_OHMS + $leak);

        return $ohms > $this->scale()->top() ? Shown::over($ohms) : Shown::value($ohms);
    }

    public function scale(): Scale
    {
        return new Scale([[1.999, 0.001], [19.99, 0.01]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.02, 2.0, 0.005);
    }
}
