<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;
use YellowProbe\Installation\State;

/**
 * What a reading was taken under: one stretch of time in which an intermittent fault is either there or not, and what was
 * done meanwhile to bring it out.
 */
final readonly class Exposure
{
    /** How likely an intermittent fault is there: what brings it out is there, or nobody knows (typical values, T12). */
    public const FORCED = 0.8;
    public const UNKNOWN = 0.3;

    /** @var list<Condition> */
    public array $conditions;

    /**
     * @param int             $episode    readings of the same half hour share a number; the latest has the highest
     * @param list<Condition> $conditions what it was forced with: loaded, wetted, warmed, tapped; empty when nothing was
     */
    public function __construct(public int $episode = 0, array $conditions = [])
    {
        usort($conditions, static fn (Condition $a, Condition $b): int => $a->value <=> $b->value);
        $this->conditions = array_values(array_unique($conditions, \SORT_REGULAR));
    }

    /** With what the state of the house brings: a heater plugged in for a test is a load. */
    public function in(State $state): self
    {
        return $state->isLoaded() ? new self($this->episode, [...$this->conditions, Condition::Load]) : $this;
    }

    /** All of it in a word, to compare by. */
    public function key(): string
    {
        return \sprintf('%06d %s', $this->episode, implode(' ', array_map(static fn (Condition $condition): string => $condition->value, $this->conditions)));
    }

    /**
     * What readings have in common for which a fault is either there or not; the latest sorts last. Conditions that do not
     * bring this fault out make no difference to it.
     *
     * @param list<Condition> $brings what brings this fault out
     */
    public function flag(array $brings): string
    {
        return \sprintf('%06d %d', $this->episode, (int) $this->isForced($brings));
    }

    /**
     * Probability that an intermittent fault is there under these conditions.
     *
     * @param list<Condition> $brings
     */
    public function presence(array $brings): float
    {
        return $this->isForced($brings) ? self::FORCED : self::UNKNOWN;
    }

    /** @param list<Condition> $brings */
    private function isForced(array $brings): bool
    {
        foreach ($brings as $condition) {
            if (\in_array($condition, $this->conditions, true)) {
                return true;
            }
        }

        return false;
    }
}
