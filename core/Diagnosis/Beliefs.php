<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * What is believed, taken apart as far as outcomes differ: one atom for each cause and severity. Atoms of one group want
 * the same repair, so telling them apart is worth nothing.
 */
final readonly class Beliefs
{
    /** Atoms below this do not change what a test is worth. */
    private const LEAST = 1e-4;

    /**
     * @param list<array{Hypothesis, int}> $atoms   cause, severity
     * @param list<int>                    $groups  of each atom, from 0 without gaps
     * @param list<float>                  $weights of each atom, summing to 1
     */
    public function __construct(public array $atoms, public array $groups, public array $weights)
    {
    }

    /** @param list<Standing> $standings all, or those that matter */
    public static function of(array $standings): self
    {
        $atoms = $groups = $weights = $known = [];
        foreach ($standings as $standing) {
            $group = $known[$standing->hypothesis->stem] ??= \count($known);
            foreach ($standing->severities as $severity => $share) {
                if ($share >= self::LEAST) {
                    $atoms[] = [$standing->hypothesis, $severity];
                    $groups[] = $group;
                    $weights[] = $standing->probability * $share;
                }
            }
        }
        $sum = array_sum($weights);

        return new self($atoms, $groups, array_map(static fn (float $weight): float => $weight / $sum, $weights));
    }

    /** @param list<float> $weights */
    public function weighed(array $weights): self
    {
        return new self($this->atoms, $this->groups, $weights);
    }

    /** @return list<float> probability of each group */
    public function byGroup(): array
    {
        $sums = array_fill(0, max([-1, ...$this->groups]) + 1, 0.0);
        foreach ($this->groups as $atom => $group) {
            $sums[$group] += $this->weights[$atom];
        }

        return array_values($sums);
    }
}
