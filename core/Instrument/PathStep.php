<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** One element on the way of a test current. */
final readonly class PathStep
{
    /**
     * @param float $current    its share of the current, 0 to 1; more where it circulates
     * @param float $ohms       what it adds to the reading: its resistance times the square of that share
     * @param float $resistance its share of the whole resistance
     */
    public function __construct(public string $element, public float $current, public float $ohms, public float $resistance)
    {
    }
}
