<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Shown;

/** What one cause at one severity would show, where that lies on the display, and how it moves with what is uncertain. */
final readonly class Row
{
    /**
     * @param float                $z     position on the display
     * @param float                $sigma standard deviation of z that is new with each reading
     * @param array<string, float> $moves factor => change of z for one standard deviation of the factor
     */
    public function __construct(public Shown $shown, public float $z, public float $sigma, public array $moves)
    {
    }
}
