<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** The ranges of a display: up to which value it shows which resolution, and where it says over range. */
final readonly class Scale
{
    /** @param non-empty-list<array{float, float}> $ranges upper end and resolution, rising */
    public function __construct(private array $ranges)
    {
    }

    public function top(): float
    {
        return $this->ranges[\count($this->ranges) - 1][0];
    }

    public function resolution(float $value): float
    {
        foreach ($this->ranges as [$upTo, $resolution]) {
            if (abs($value) <= $upTo) {
                return $resolution;
            }
        }

        return $this->ranges[\count($this->ranges) - 1][1];
    }

    public function finest(): float
    {
        return $this->ranges[0][1];
    }

    /** The value as the display rounds it. */
    public function rounded(float $value): float
    {
        $resolution = $this->resolution($value);

        return round($value / $resolution) * $resolution;
    }
}
