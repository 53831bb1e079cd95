<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** Farads between two conductors of a cable with all else disconnected, at less than a volt: where a core is broken. */
final readonly class CapacitanceMeter implements Instrument
{
    private const HERTZ = 1000.0;

    public function slug(): string
    {
        return 'capacitance-meter';
    }

    public function words(): string
    {
        return 'Capacitance';
    }

    public function unit(): Unit
    {
        return Unit::Farad;
    }

    public function leads(): array
    {
        return ['A', 'B'];
    }

    public function deadOnly(): bool
    {
        return true;
    }

    public function trap(): string
    {
        return 'Everything still joined to the conductors, and damp, is in the reading.';
    }

    public function excitation(): Excitation
    {
        return Excitation::tester(self::HERTZ);
    }

    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        [$y] = $ports->norton($leads[0]);
        $farads = max(0.0, $y->im) / (2.0 * \M_PI * self::HERTZ);

        // More conductance than susceptance: it is no capacitor that lies there.
        return $y->re > $y->modulus() / 2.0 ? Shown::nothing() : ($farads > $this->scale()->top() ? Shown::over($farads) : Shown::value($farads));
    }

    public function scale(): Scale
    {
        return new Scale([[9.99e-9, 0.01e-9], [99.9e-9, 0.1e-9], [999e-9, 1e-9]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.02, 3.0);
    }
}
