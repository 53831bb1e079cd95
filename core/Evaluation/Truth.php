<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Presence;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;

/** What is really there on one visit, hidden from the inference. */
final readonly class Truth
{
    /**
     * @param House       $house      as it is wired, which need not be as it was surveyed
     * @param Change|null $change     the fault; null when nothing is wrong
     * @param string|null $hypothesis the cause that would be right; null for one that the catalogue does not hold
     * @param Factors     $factors    lengths, supply, loads as they are
     * @param Presence    $presence   when a cause that comes and goes is there during this visit
     * @param array<string, Change> $faults of which the change is made, where it is more than one, by what repairs each
     */
    public function __construct(public House $house, private ?Change $change, public ?string $hypothesis, public Factors $factors, public Presence $presence = Presence::Always, private array $faults = [])
    {
    }

    /** The fault as it is in this state of the house; null while nothing is wrong. */
    public function change(State $state): ?Change
    {
        return $this->presence->shows($state->isLoaded()) ? $this->change : null;
    }

    /** Whether anything is there that brings the complaint back while the house is used as always. */
    public function isCause(): bool
    {
        return null === $this->hypothesis || (null !== $this->change && $this->presence->shows(false));
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

        return new self($this->house, array_reduce($left, static fn (?Change $sum, Change $fault): Change => $sum?->and($fault) ?? $fault), $this->hypothesis, $this->factors, $this->presence, $left);
    }
}
