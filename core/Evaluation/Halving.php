<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Outcomes;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;

/** The rule of thumb to compare with: the test whose likeliest outcome splits the remaining probability most evenly; ties by minutes. */
final class Halving
{
    private const MATTERS = 1e-3;

    /** @param list<Candidate> $candidates */
    public static function choose(Ranking $ranking, array $candidates, Tables $tables): ?Candidate
    {
        $best = null;
        $least = [\INF, \INF];
        foreach ($candidates as $candidate) {
            $score = [round(abs(self::share($ranking, $candidate, $tables) - 0.5), 3), $candidate->minutes];
            if ($score < $least) {
                [$best, $least] = [$candidate, $score];
            }
        }

        return $best;
    }

    /** Probability of the causes whose own likeliest outcome is the likeliest of all. */
    private static function share(Ranking $ranking, Candidate $candidate, Tables $tables): float
    {
        $standings = array_filter($ranking->standings, static fn (Standing $standing): bool => Hypothesis::ELSE !== $standing->hypothesis->id && $standing->probability >= self::MATTERS);
        $table = $tables->of($candidate->plan->measurement);
        $rows = $masses = $cells = [];
        foreach ($standings as $standing) {
            $own = $table->rows($standing->hypothesis);
            $rows[] = $own[min($standing->likeliestSeverity(), \count($own) - 1)];
            $masses[] = $standing->probability;
        }
        $outcomes = new Outcomes(new Display($candidate->plan->measurement->instrument), $rows, []);
        $total = [];
        foreach ($rows as $at => $row) {
            $distribution = $outcomes->of($row);
            $cells[$at] = (int) array_search(max([0.0, ...$distribution]), $distribution, true);
            $total[$cells[$at]] = ($total[$cells[$at]] ?? 0.0) + $masses[$at];
        }

        return [] === $total ? 1.0 : max($total) / array_sum($masses);
    }
}
