<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * A phasor or an admittance: RMS value and angle for volts and amperes, siemens for admittances.
 *
 * Only used at the edges of a computation. Hot loops keep real and imaginary parts in separate float arrays.
 */
final readonly class Complex
{
    public function __construct(public float $re, public float $im = 0.0)
    {
    }

    public static function zero(): self
    {
        return new self(0.0);
    }

    public function plus(self $other): self
    {
        return new self($this->re + $other->re, $this->im + $other->im);
    }

    public function minus(self $other): self
    {
        return new self($this->re - $other->re, $this->im - $other->im);
    }

    public function times(self $other): self
    {
        return new self(
            $this->re * $other->re - $this->im * $other->im,
            $this->re * $other->im + $this->im * $other->re,
        );
    }

    /** @throws \DivisionByZeroError when $other is exactly zero */
    public function over(self $other): self
    {
        $square = $other->re * $other->re + $other->im * $other->im;
        if (0.0 === $square) {
            throw new \DivisionByZeroError('Division of a phasor by zero.');
        }

        return new self(
            ($this->re * $other->re + $this->im * $other->im) / $square,
            ($this->im * $other->re - $this->re * $other->im) / $square,
        );
    }

    public function modulus(): float
    {
        return hypot($this->re, $this->im);
    }
}
