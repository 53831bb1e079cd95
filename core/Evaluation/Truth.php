<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;

/** What is really there on one visit, hidden from the inference. */
final readonly class Truth
{
    /**
     * @param House       $house      as it is wired, which need not be as it was surveyed
     * @param Change|null $change     the fault as it is at this visit; null when nothing is wrong now
     * @param string|null $hypothesis the cause that would be right; null for one that the catalogue does not hold
     * @param Factors     $factors    lengths, supply, loads as they are
     * @param bool        $isQuiet    whether the cause comes and goes, and is not there during this visit
     */
    public function __construct(public House $house, public ?Change $change, public ?string $hypothesis, public Factors $factors, public bool $isQuiet = false)
    {
    }
}
