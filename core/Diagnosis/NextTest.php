<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** What a test yet to be done would tell: the expected information about the cause, in bits. */
final class NextTest
{
    /**
     * I = H(Y) − Σ p·H(Y | cause), over the display's cells, with the spread of the factors that is left.
     *
     * @param list<Standing> $standings all causes with their probabilities, or those that matter
     */
    public static function bits(array $standings, PredictionTable $table, Display $display): float
    {
        $rows = [];
        $total = 0.0;
        foreach ($standings as $standing) {
            $total += $standing->probability;
            if (Hypothesis::ELSE !== $standing->hypothesis->id) {
                array_push($rows, ...$table->rows($standing->hypothesis));
            }
        }
        $outcomes = new Outcomes($display, $rows, $standings[0]->spread);
        $mixture = [];
        $conditional = 0.0;
        /** @var array<int, list<float>> $known */
        $known = [];
        foreach ($standings as $standing) {
            $share = $standing->probability / $total;
            if (Hypothesis::ELSE === $standing->hypothesis->id) {
                $cells = array_map(
                    static fn (float $broad, float $sound): float => Ranker::TOUCHED * $broad + (1.0 - Ranker::TOUCHED) * $sound,
                    $outcomes->broad(),
                    $outcomes->of($table->sound()),
                );
            } else {
                $cells = [];
                $own = $table->rows($standing->hypothesis);
                // Before the first reading every severity is as likely as the next.
                $weighed = \count($standing->severities) === \count($own);
                foreach ($own as $severity => $row) {
                    $weight = $weighed ? $standing->severities[$severity] : 1.0 / \count($own);
                    if ($weight < 1e-4) {
                        continue;
                    }
                    foreach ($known[spl_object_id($row)] ??= $outcomes->of($row) as $cell => $p) {
                        $cells[$cell] = ($cells[$cell] ?? 0.0) + $weight * $p;
                    }
                }
                $norm = array_sum($cells);
                $cells = array_map(static fn (float $p): float => $p / $norm, $cells);
            }
            foreach ($cells as $cell => $p) {
                $mixture[$cell] = ($mixture[$cell] ?? 0.0) + $share * $p;
            }
            $conditional += $share * self::entropy($cells);
        }

        return max(0.0, self::entropy($mixture) - $conditional);
    }

    /** @param array<int, float> $probabilities */
    private static function entropy(array $probabilities): float
    {
        $bits = 0.0;
        foreach ($probabilities as $p) {
            if ($p > 0.0) {
                $bits -= $p * log($p, 2);
            }
        }

        return $bits;
    }
}
