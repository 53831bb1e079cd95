<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

/** What the simulator makes of one tester on one house. */
final readonly class Seen
{
    /**
     * @param list<float> $parts lamps' levels; for a residual tester the standing residual, the share seen (re, im each) and Ω of its loop
     * @param float       $open  volts before anything is driven
     * @param float       $angle of those volts
     */
    public function __construct(public float $value, public array $parts = [], public float $open = 0.0, public float $angle = 0.0)
    {
    }
}
