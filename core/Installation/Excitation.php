<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** At what frequency the network is driven: 0 Hz from a tester's own battery, or the mains with its sources on. */
final readonly class Excitation
{
    private function __construct(public float $hertz)
    {
    }

    /** A tester's direct current; the mains sources are only their resistances then. */
    public static function direct(): self
    {
        return new self(0.0);
    }

    public static function mains(float $hertz = 50.0): self
    {
        return new self($hertz);
    }

    public function isMains(): bool
    {
        return $this->hertz > 0.0;
    }

    /** Susceptance of a capacitor, siemens. */
    public function susceptance(float $farads): float
    {
        return 2.0 * \M_PI * $this->hertz * $farads;
    }
}
