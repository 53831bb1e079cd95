<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ShownKind;

/**
 * Log-probability of all displayed outcomes under one cause at one severity, the shared factors integrated out.
 *
 * Factors are standard normal; a reading moves linearly with them on the display's z line. Each outcome is a mixture of
 * what the cause shows and, with a small weight, a blunder. The integral over the factors is Laplace's about their most
 * probable values, found by reweighted least squares, so the order of entry cannot matter and readings on one cable
 * share that cable's uncertainty.
 */
final class Likelihood
{
    /** Load forgotten, wrong terminal, slip of the pen: what gets through after checks. */
    public const BLUNDER = 0.015;

    private const PASSES = 4;

    /**
     * @param list<Evidence> $evidence
     * @param list<Row>      $rows     one for each piece of evidence
     */
    public static function of(array $evidence, array $rows): LikelihoodResult
    {
        $factors = [];
        $terms = [];
        $each = [];
        foreach ($evidence as $i => $piece) {
            $plain = $piece->display->plainProbability($rows[$i], $piece->reading);
            $broad = $piece->display->broad($piece->reading);
            if (null !== $plain) {
                $each[$i] = log((1.0 - self::BLUNDER) * $plain + self::BLUNDER * $broad);
                continue;
            }
            [$low, $high] = $piece->display->cell($piece->reading);
            $terms[$i] = [$low, $high, $broad];
            if (ShownKind::Value === $piece->reading->kind) {
                foreach ($rows[$i]->moves as $factor => $move) {
                    if (abs($move) > 1e-9) {
                        $factors[$factor] ??= \count($factors);
                    }
                }
            }
        }
        $n = \count($factors);
        $theta = array_fill(0, $n, 0.0);
        $cholesky = [];
        for ($pass = 0; $pass < self::PASSES; ++$pass) {
            $matrix = self::identity($n);
            $right = array_fill(0, $n, 0.0);
            foreach ($terms as $i => [$low, $high, $broad]) {
                if (ShownKind::Value !== $evidence[$i]->reading->kind) {
                    continue;
                }
                $row = $rows[$i];
                $seen = is_finite($low) ? 0.5 * ($low + $high) : 0.5 * $high;
                $variance = $row->sigma ** 2 + (is_finite($low) ? $high - $low : $high) ** 2 / 12.0;
                $moved = $row->z;
                $loose = $variance;
                foreach ($row->moves as $factor => $move) {
                    if (isset($factors[$factor])) {
                        $moved += $move * $theta[$factors[$factor]];
                        $loose += $move * $move;
                    }
                }
                // First ask whether the factors could explain the reading at all, then whether they do.
                $sigma = sqrt(0 === $pass ? $loose : $variance);
                $own = (1.0 - self::BLUNDER) * Normal::between(($low - $moved) / $sigma, ($high - $moved) / $sigma);
                $weight = $own / ($own + self::BLUNDER * $broad) / $variance;
                foreach ($row->moves as $f => $moveF) {
                    if (!isset($factors[$f])) {
                        continue;
                    }
                    $a = $factors[$f];
                    $right[$a] += $weight * $moveF * ($seen - $row->z);
                    foreach ($row->moves as $g => $moveG) {
                        if (isset($factors[$g])) {
                            $matrix[$a * $n + $factors[$g]] += $weight * $moveF * $moveG;
                        }
                    }
                }
            }
            $cholesky = self::cholesky($matrix, $n);
            $theta = self::solve($cholesky, $right, $n);
        }
        $total = 0.0;
        foreach ($terms as $i => [$low, $high, $broad]) {
            $moved = $rows[$i]->z;
            foreach ($rows[$i]->moves as $factor => $move) {
                $moved += isset($factors[$factor]) ? $move * $theta[$factors[$factor]] : 0.0;
            }
            $own = Normal::between(($low - $moved) / $rows[$i]->sigma, ($high - $moved) / $rows[$i]->sigma);
            $each[$i] = log((1.0 - self::BLUNDER) * $own + self::BLUNDER * $broad);
        }
        $spread = [];
        for ($a = 0; $a < $n; ++$a) {
            $total -= 0.5 * $theta[$a] ** 2 + log($cholesky[$a * $n + $a]);
        }
        foreach ($factors as $factor => $a) {
            $unit = array_fill(0, $n, 0.0);
            $unit[$a] = 1.0;
            $spread[$factor] = sqrt(self::solve($cholesky, $unit, $n)[$a]);
        }
        ksort($each);

        return new LikelihoodResult($total + array_sum($each), array_values($each), $spread);
    }

    /** @return array<int, float> */
    private static function identity(int $n): array
    {
        $matrix = 0 === $n ? [] : array_fill(0, $n * $n, 0.0);
        for ($a = 0; $a < $n; ++$a) {
            $matrix[$a * $n + $a] = 1.0;
        }

        return $matrix;
    }

    /**
     * Lower triangle L of A = L·Lᵀ; A is the identity plus a Gram matrix, so it always exists.
     *
     * @param array<int, float> $a
     *
     * @return array<int, float>
     */
    private static function cholesky(array $a, int $n): array
    {
        for ($j = 0; $j < $n; ++$j) {
            for ($k = 0; $k < $j; ++$k) {
                $factor = $a[$j * $n + $k];
                for ($i = $j; $i < $n; ++$i) {
                    $a[$i * $n + $j] -= $a[$i * $n + $k] * $factor;
                }
            }
            $root = sqrt($a[$j * $n + $j]);
            for ($i = $j; $i < $n; ++$i) {
                $a[$i * $n + $j] /= $root;
            }
        }

        return $a;
    }

    /**
     * @param array<int, float> $l
     * @param array<int, float> $b
     *
     * @return array<int, float>
     */
    private static function solve(array $l, array $b, int $n): array
    {
        for ($i = 0; $i < $n; ++$i) {
            for ($k = 0; $k < $i; ++$k) {
                $b[$i] -= $l[$i * $n + $k] * $b[$k];
            }
            $b[$i] /= $l[$i * $n + $i];
        }
        for ($i = $n - 1; $i >= 0; --$i) {
            for ($k = $i + 1; $k < $n; ++$k) {
                $b[$i] -= $l[$k * $n + $i] * $b[$k];
            }
            $b[$i] /= $l[$i * $n + $i];
        }

        return $b;
    }
}
