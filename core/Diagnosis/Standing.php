<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Condition;

/** Where one cause stands after the evidence. */
final class Standing
{
    /** After all standings are known. */
    public float $probability = 0.0;

    /**
     * @param float       $log        log of prior times likelihood
     * @param list<float> $each       log-probability of each outcome at the likeliest severity, in the order of the ranking's evidence
     * @param list<float> $severities share of each severity, summing to 1; where it comes and goes the last is that it is quiet now
     * @param list<array{float, float, float, float}> $stretches where it comes and goes: of each severity its share, whether it is there or not, and of this half hour how likely
     *                                               it is there at rest, brought out, and was there in some stretch
     * @param array<string, float>                    $circuits of a cause without a name: how likely it is on each, see {@see Unnamed::of()}
     */
    public function __construct(public readonly Hypothesis $hypothesis, public readonly float $log, public readonly array $each, public readonly array $severities, public readonly array $stretches = [], public readonly array $circuits = [])
    {
    }

    /**
     * @param list<Condition> $by what is done to bring it out
     *
     * @return list<array{Atom, float}> what it may be just now, each with its share
     */
    public function atoms(array $by = [Condition::Load]): array
    {
        $atoms = [];
        $quiet = 1.0;
        $isForced = [] !== array_filter($this->hypothesis->conditions(), static fn (Condition $brings): bool => \in_array($brings, $by, true));
        foreach ($this->stretches as $severity => [$own, $atRest, $forced, $known]) {
            foreach (Presence::shares($atRest, $forced, $known, $isForced) as $presence => $share) {
                $atoms[] = [new Atom($this->hypothesis, $severity, Presence::from($presence)), $own * $share];
                $quiet -= $own * $share;
            }
        }
        if ([] !== $this->stretches) {
            return [...$atoms, [new Atom($this->hypothesis, \count($this->stretches), Presence::Never), max(0.0, $quiet)]];
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

    /**
     * The likeliest severity that a test would show just now; beyond the last where it likelier shows nothing.
     *
     * @param list<Condition> $by what is done meanwhile to bring it out; empty when nothing is
     */
    public function severityShown(array $by): int
    {
        if ([] === $this->stretches) {
            return $this->likeliestSeverity();
        }
        $shown = [];
        foreach ($this->atoms($by) as [$atom, $share]) {
            $shown[$atom->severity] = ($shown[$atom->severity] ?? 0.0) + ($atom->presence->shows([] !== $by) ? $share : 0.0);
        }

        return array_sum($shown) > 0.5 ? (int) array_search(max([0.0, ...$shown]), $shown, true) : \count($this->stretches);
    }

    /** How likely, given this cause, that there is nothing to be seen of it just now. */
    public function quiet(): float
    {
        return $this->hypothesis->intermittent ? $this->severities[\count($this->severities) - 1] : 0.0;
    }
}
