<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** Where one cause stands after the evidence. */
final class Standing
{
    /** After all standings are known. */
    public float $probability = 0.0;

    /**
     * @param float       $log        log of prior times likelihood
     * @param list<float> $each       log-probability of each outcome at the likeliest severity, in the order of the ranking's evidence
     * @param list<float> $severities share of each severity, summing to 1; where it comes and goes the last is that it is quiet now
     * @param list<array<int, float>> $presences where it comes and goes: of each severity the share of each presence, all below 1 by what is quiet in any case
     */
    public function __construct(public readonly Hypothesis $hypothesis, public readonly float $log, public readonly array $each, public readonly array $severities, public readonly array $presences = [])
    {
    }

    /** @return list<array{Atom, float}> what it may be just now, each with its share */
    public function atoms(): array
    {
        $atoms = [];
        $quiet = 1.0;
        foreach ($this->presences as $severity => $shares) {
            foreach ($shares as $presence => $share) {
                $atoms[] = [new Atom($this->hypothesis, $severity, Presence::from($presence)), $share];
                $quiet -= $share;
            }
        }
        if ([] !== $this->presences) {
            return [...$atoms, [new Atom($this->hypothesis, \count($this->presences), Presence::Never), max(0.0, $quiet)]];
        }
        foreach ($this->severities as $severity => $share) {
            $atom = new Atom($this->hypothesis, $severity);
            $atoms[] = [$atom->isQuiet() ? new Atom($this->hypothesis, $severity, Presence::Never) : $atom, $share];
        }

        return $atoms;
    }

    public function likeliestSeverity(): int
    {
        return (int) array_search(max([0.0, ...$this->severities]), $this->severities, true);
    }

    /** The likeliest severity that a test would show in such a state just now; beyond the last where it likelier shows nothing. */
    public function severityShown(bool $isLoaded): int
    {
        if ([] === $this->presences) {
            return $this->likeliestSeverity();
        }
        $shown = [];
        foreach ($this->atoms() as [$atom, $share]) {
            $shown[$atom->severity] = ($shown[$atom->severity] ?? 0.0) + ($atom->presence->shows($isLoaded) ? $share : 0.0);
        }

        return array_sum($shown) > 0.5 ? (int) array_search(max([0.0, ...$shown]), $shown, true) : \count($this->presences);
    }

    /** How likely, given this cause, that there is nothing to be seen of it just now. */
    public function quiet(): float
    {
        return $this->hypothesis->intermittent ? $this->severities[\count($this->severities) - 1] : 0.0;
    }
}
