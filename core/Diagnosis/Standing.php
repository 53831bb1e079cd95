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
     */
    public function __construct(public readonly Hypothesis $hypothesis, public readonly float $log, public readonly array $each, public readonly array $severities)
    {
    }

    public function likeliestSeverity(): int
    {
        return (int) array_search(max([0.0, ...$this->severities]), $this->severities, true);
    }

    /** How likely, given this cause, that there is nothing to be seen of it just now. */
    public function quiet(): float
    {
        return $this->hypothesis->intermittent ? $this->severities[\count($this->severities) - 1] : 0.0;
    }
}
