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
     * @param array<string, Change> $faults of which the change is made, where it is more than one, by what repairs each
     * @param bool        $isQuiet    whether the cause comes and goes, and is not there during this visit
     */
    public function __construct(public House $house, public ?Change $change, public ?string $hypothesis, public Factors $factors, public bool $isQuiet = false, private array $faults = [])
    {
    }

    /** Whether anything is there now that brings the complaint back. */
    public function isCause(): bool
    {
        return null === $this->hypothesis || null !== $this->change;
    }

    /**
     * What is there after repairs: what did not need them stays as it is.
     *
     * @param list<string> $repaired
     */
    public function after(array $repaired): self
    {
        $left = array_diff_key([] === $this->faults && null !== $this->change && null !== $this->hypothesis ? [$this->hypothesis => $this->change] : $this->faults, array_flip($repaired));
        if (null === $this->hypothesis) {
            return $this;
        }

        return new self($this->house, array_reduce($left, static fn (?Change $sum, Change $fault): Change => $sum?->and($fault) ?? $fault), $this->hypothesis, $this->factors, $this->isQuiet, $left);
    }
}
