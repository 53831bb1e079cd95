<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Network\PortNetwork;

/** The two-wire, high-current loop tester: the impedance between its leads with the supply on. It trips residual devices. */
final readonly class LoopTester extends LiveTwoLead
{
    /** Below this it says that there is no supply. */
    private const LEAST_VOLTS = 100.0;

    public function slug(): string
    {
        return 'loop-2-wire';
    }

    public function words(): string
    {
        return 'Loop';
    }

    public function unit(): Unit
    {
        return Unit::Ohm;
    }

    public function apply(PortNetwork $ports, array $leads): Shown
    {
        [$y, $j] = $ports->norton($leads[0]);
        $siemens = $y->modulus();
        if (0.0 === $siemens || $j->modulus() / $siemens < self::LEAST_VOLTS) {
            return Shown::nothing();
        }

        return 1.0 / $siemens > $this->scale()->top() ? Shown::over(1.0 / $siemens) : Shown::value(1.0 / $siemens);
    }

    public function scale(): Scale
    {
        return new Scale([[19.99, 0.01], [199.9, 0.1], [1999.0, 1.0]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.04, 4.0, 0.02);
    }
}
