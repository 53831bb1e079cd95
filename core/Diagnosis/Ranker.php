<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** Probability of every cause after everything that was read. The order of the evidence does not matter. */
final class Ranker
{
    /** Share of readings that an unknown cause disturbs. */
    public const TOUCHED = 0.3;

    /**
     * @param non-empty-list<Hypothesis> $hypotheses
     * @param list<Evidence>   $evidence
     */
    public static function rank(array $hypotheses, array $evidence): Ranking
    {
        $usable = self::ordered($evidence);
        $standings = [];
        /** @var array<string, LikelihoodResult> $known the same rows give the same answer */
        $known = [];
        foreach ($hypotheses as $hypothesis) {
            if (Hypothesis::ELSE === $hypothesis->id) {
                $standings[] = self::somethingElse($hypothesis, $usable);
                continue;
            }
            $bySeverity = [];
            $severities = [] === $usable ? 1 : \count($usable[0]->table()->rows($hypothesis));
            for ($s = 0; $s < $severities; ++$s) {
                $rows = array_map(static fn (Evidence $piece): Row => $piece->table()->rows($hypothesis)[$s], $usable);
                $key = implode(',', array_map(spl_object_id(...), $rows));
                $bySeverity[] = $known[$key] ??= Likelihood::of($usable, $rows);
            }
            $standings[] = self::standing($hypothesis, $bySeverity);
        }
        $top = max([-\INF, ...array_map(static fn (Standing $standing): float => $standing->log, $standings)]);
        $sum = array_sum(array_map(static fn (Standing $standing): float => exp($standing->log - $top), $standings));
        foreach ($standings as $standing) {
            $standing->probability = exp($standing->log - $top) / $sum;
        }
        usort($standings, static fn (Standing $a, Standing $b): int => [$b->probability, $a->hypothesis->id] <=> [$a->probability, $b->hypothesis->id]);

        return new Ranking($standings, $usable);
    }

    /**
     * @param list<Evidence> $evidence
     *
     * @return list<Evidence> in the one order that all rankings use
     */
    public static function ordered(array $evidence): array
    {
        usort($evidence, static fn (Evidence $a, Evidence $b): int => $a->id <=> $b->id);

        return $evidence;
    }

    /**
     * A cause nobody thought of leaves most readings as they should be and makes the rest anything: so it does not
     * vanish because sound parts read sound, nor win by being vague.
     *
     * @param list<Evidence> $evidence
     */
    private static function somethingElse(Hypothesis $hypothesis, array $evidence): Standing
    {
        $sound = Likelihood::of($evidence, array_map(static fn (Evidence $piece): Row => $piece->table()->sound(), $evidence));
        $each = [];
        foreach ($evidence as $at => $piece) {
            $each[] = log(self::TOUCHED * $piece->display->broad($piece->reading) + (1.0 - self::TOUCHED) * exp($sound->each[$at]));
        }

        // What it costs to move the shared factors is paid here as well as by the sound house.
        $moved = $sound->log - array_sum($sound->each);

        return new Standing($hypothesis, log($hypothesis->prior) + array_sum($each) + $moved, $each, [1.0], $sound->spread);
    }

    /** @param list<LikelihoodResult> $bySeverity at least one */
    private static function standing(Hypothesis $hypothesis, array $bySeverity): Standing
    {
        $logs = array_map(static fn (LikelihoodResult $result): float => $result->log, $bySeverity);
        $top = max([-\INF, ...$logs]);
        $weights = array_map(static fn (float $log): float => exp($log - $top), $logs);
        $sum = array_sum($weights);
        $weights = array_map(static fn (float $weight): float => $weight / $sum, $weights);
        $best = (int) array_search(max([0.0, ...$weights]), $weights, true);

        return new Standing($hypothesis, log($hypothesis->prior) + $top + log($sum / \count($logs)), $bySeverity[$best]->each, $weights, $bySeverity[$best]->spread);
    }
}
