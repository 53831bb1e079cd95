<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** One cause with one severity, and when it is there: all that decides what a test shows. */
final readonly class Atom
{
    /** @param int $severity of its kind, in order; beyond them it is quiet */
    public function __construct(public Hypothesis $hypothesis, public int $severity = 0, public Presence $presence = Presence::Always)
    {
    }

    /** Whether there is nothing to be repaired just now. */
    public function isQuiet(): bool
    {
        return Hypothesis::SOUND === $this->hypothesis->repair || ($this->hypothesis->intermittent && $this->severity >= \count($this->hypothesis->ohms()));
    }

    /**
     * The row that a test shows: what is not noticed, or not there under it, leaves the sound house's.
     *
     * @param array<int, int> $noticed places of the rows of its severities; empty where the test does not notice it
     */
    public function place(array $noticed, bool $isForced): int
    {
        if ([] === $noticed || !$this->presence->shows($isForced)) {
            return PredictionTable::SOUND;
        }

        return $noticed[$this->severity] ?? $noticed[0];
    }
}
