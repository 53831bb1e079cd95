<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** All causes in the order of their probability, and the same grouped so that a person can act on it. */
final readonly class Ranking
{
    /** Two places are one line while no reading so far prefers one by more than this many nats. */
    private const ALIKE = 0.25;

    /**
     * @param list<Standing> $standings likeliest first
     * @param list<Evidence>           $evidence  in the order that the standings' outcomes are in
     */
    public function __construct(public array $standings, public array $evidence)
    {
    }

    /** @return array<string, array{float, float, list<float>, list<float>, array<string, float>}> hypothesis => its standing, as plain values to be kept */
    public function export(): array
    {
        $plain = [];
        foreach ($this->standings as $standing) {
            $plain[$standing->hypothesis->id] = [$standing->probability, $standing->log, $standing->each, $standing->severities, $standing->spread];
        }

        return $plain;
    }

    /**
     * @param list<Hypothesis>                                                                          $hypotheses the same that were ranked
     * @param list<Evidence>                                                                            $evidence
     * @param array<string, array{float, float, list<float>, list<float>, array<string, float>}> $plain
     */
    public static function restore(array $hypotheses, array $evidence, array $plain): self
    {
        $byId = [];
        foreach ($hypotheses as $hypothesis) {
            $byId[$hypothesis->id] = $hypothesis;
        }
        $standings = [];
        foreach ($plain as $id => [$probability, $log, $each, $severities, $spread]) {
            $standing = new Standing($byId[$id], $log, $each, $severities, $spread);
            $standing->probability = $probability;
            $standings[] = $standing;
        }

        return new self($standings, Ranker::ordered($evidence));
    }

    public function probability(string $hypothesisId): float
    {
        foreach ($this->standings as $standing) {
            if ($standing->hypothesis->id === $hypothesisId) {
                return $standing->probability;
            }
        }

        return 0.0;
    }

    /**
     * Causes of one kind that the evidence cannot tell apart, as one suspect.
     *
     * @return list<Suspect> likeliest first
     */
    public function suspects(): array
    {
        $groups = [];
        foreach ($this->standings as $standing) {
            foreach ($groups as $at => $group) {
                if ($group[0]->hypothesis->kind?->slug() === $standing->hypothesis->kind?->slug() && null !== $standing->hypothesis->kind && self::alike($group[0], $standing)) {
                    $groups[$at][] = $standing;
                    continue 2;
                }
            }
            $groups[] = [$standing];
        }
        $suspects = array_map(fn (array $group): Suspect => new Suspect($group, $this), $groups);
        usort($suspects, static fn (Suspect $a, Suspect $b): int => [$b->probability, $a->lead()->hypothesis->id] <=> [$a->probability, $b->lead()->hypothesis->id]);

        return $suspects;
    }

    private static function alike(Standing $a, Standing $b): bool
    {
        foreach ($a->each as $at => $log) {
            if (abs($log - $b->each[$at]) > self::ALIKE) {
                return false;
            }
        }

        return true;
    }
}
