<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** What drives the network: the mains with its sources on, a tester's own battery, or a tester's own alternating current. */
final readonly class Excitation
{
    private function __construct(public float $hertz, private bool $sourcesOn, public float $directVolts = 0.0, public bool $smallSignal = false)
    {
    }

    /**
     * A tester's direct current; the mains sources are only their resistances then.
     *
     * @param float $volts that the tester applies to an open circuit: what starts to conduct above some volts depends on it
     */
    public static function direct(float $volts = 4.0): self
    {
        return new self(0.0, false, $volts);
    }

    public static function mains(float $hertz = 50.0): self
    {
        return new self($hertz, true);
    }

    /** The mains, read with a current too small to magnetise the core of a residual device: its impedance is in the reading. */
    public static function mainsSmallSignal(float $hertz = 50.0): self
    {
        return new self($hertz, true, 0.0, true);
    }

    /** A tester's alternating current of its own frequency, with the supply at rest. */
    public static function tester(float $hertz): self
    {
        return new self($hertz, false);
    }

    public function isMains(): bool
    {
        return $this->sourcesOn;
    }

    /** The same at the frequency of a supply; a tester keeps its own. */
    public function at(float $hertz): self
    {
        return $this->sourcesOn ? new self($hertz, true, 0.0, $this->smallSignal) : $this;
    }

    /** The same for excitations that are the same. */
    public function key(): string
    {
        return implode(' ', [$this->hertz, $this->sourcesOn ? 'on' : 'off', $this->directVolts, $this->smallSignal ? 'small' : 'large']);
    }

    /** Susceptance of a capacitor, siemens. */
    public function susceptance(float $farads): float
    {
        return 2.0 * \M_PI * $this->hertz * $farads;
    }
}
