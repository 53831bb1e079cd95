<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Shown;

/** What one cause at one severity would show, where that lies on the display, and how it moves with what is uncertain. */
final readonly class Row
{
    /** Deviation on the display's line below which no tester is taken to be. */
    public const LEAST = 0.002;

    /**
     * @param float                $z     position on the display
     * @param float                $sigma standard deviation of z that is new with each reading
     * @param array<string, float> $moves factor => change of z for one standard deviation of the factor
     */
    public function __construct(public Shown $shown, public float $z, public float $sigma, public array $moves)
    {
    }

    /** Deviation of a reading on the line: its own noise, and all that is uncertain about the house. */
    public function deviation(): float
    {
        return sqrt($this->sigma ** 2 + $this->variance());
    }

    /**
     * How far a place on the line lies from the row. What factors do is even on the line; a tester's own noise is even in what it
     * shows, and a clamp around amperes has more of it than what it shows for their sum.
     */
    public function off(float $z): float
    {
        return $this->variance() > $this->sigma ** 2 ? $z - $this->z : (sinh($z) - sinh($this->z)) / cosh($this->z);
    }

    /** The place that lies so far from the row, {@see off}; the zero of the display where that is beyond it. */
    public function place(float $off): float
    {
        return max(0.0, $this->variance() > $this->sigma ** 2 ? $this->z + $off : asinh(sinh($this->z) + $off * cosh($this->z)));
    }

    private function variance(): float
    {
        $variance = 0.0;
        foreach ($this->moves as $move) {
            $variance += $move ** 2;
        }

        return $variance;
    }
}
