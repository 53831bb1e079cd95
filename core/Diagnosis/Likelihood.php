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
        $values = self::values($terms, $evidence, $rows, $factors);
        for ($pass = 0; $pass < self::PASSES; ++$pass) {
            $matrix = self::identity($n);
            $right = array_fill(0, $n, 0.0);
            foreach ($values as $i => [$at, $moves, $off, $variance, $loose]) {
                [$low, $high, $broad] = $terms[$i];
                $moved = $rows[$i]->z;
                foreach ($at as $p => $f) {
                    $moved += $moves[$p] * $theta[$f];
                }
                // First ask whether the factors could explain the reading at all, then whether they do.
                $sigma = sqrt(0 === $pass ? $loose : $variance);
                $own = (1.0 - self::BLUNDER) * Normal::between(($low - $moved) / $sigma, ($high - $moved) / $sigma);
                $weight = $own / ($own + self::BLUNDER * $broad) / $variance;
                foreach ($at as $p => $f) {
                    $weighed = $weight * $moves[$p];
                    $right[$f] += $weighed * $off;
                    for ($q = 0; $q <= $p; ++$q) {
                        $matrix[$f * $n + $at[$q]] += $weighed * $moves[$q];
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
            $spread[$factor] = self::deviation($cholesky, $a, $n);
        }
        ksort($each);

        return new LikelihoodResult($total + array_sum($each), array_values($each), $spread);
    }

    /**
     * What the passes ask of each number again and again: its factors in rising order with their moves, how far it lies
     * from what the cause shows, its own variance and that with the factors free.
     *
     * @param array<int, array{float, float, float}> $terms    low, high, broad of each outcome on the display
     * @param list<Evidence>                         $evidence
     * @param list<Row>                              $rows
     * @param array<string, int>                     $factors
     *
     * @return array<int, array{list<int>, list<float>, float, float, float}>
     */
    private static function values(array $terms, array $evidence, array $rows, array $factors): array
    {
        $values = [];
        foreach ($terms as $i => [$low, $high]) {
            if (ShownKind::Value !== $evidence[$i]->reading->kind) {
                continue;
            }
            $moves = [];
            foreach ($rows[$i]->moves as $factor => $move) {
                if (isset($factors[$factor]) && 0.0 !== $move) {
                    $moves[$factors[$factor]] = $move;
                }
            }
            ksort($moves);
            $seen = is_finite($low) ? 0.5 * ($low + $high) : 0.5 * $high;
            $variance = $rows[$i]->sigma ** 2 + (is_finite($low) ? $high - $low : $high) ** 2 / 12.0;
            $loose = $variance + array_sum(array_map(static fn (float $move): float => $move * $move, $moves));
            $values[$i] = [array_keys($moves), array_values($moves), $seen - $rows[$i]->z, $variance, $loose];
        }

        return $values;
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
     * Lower triangle L of A = L·Lᵀ, of A only the lower triangle is read; A is the identity plus a Gram matrix, so it always exists.
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
                if (0.0 === $factor) {
                    continue; // readings of other circuits share no factor
                }
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
     * √(A⁻¹)ₐₐ: the length of column a of L⁻¹, which begins at its diagonal.
     *
     * @param array<int, float> $l
     */
    private static function deviation(array $l, int $a, int $n): float
    {
        $column = [$a => 1.0 / $l[$a * $n + $a]];
        $squares = $column[$a] ** 2;
        for ($i = $a + 1; $i < $n; ++$i) {
            $sum = 0.0;
            foreach ($column as $k => $value) {
                $sum += $l[$i * $n + $k] * $value;
            }
            if (0.0 !== $sum) {
                $column[$i] = -$sum / $l[$i * $n + $i];
                $squares += $column[$i] ** 2;
            }
        }

        return sqrt($squares);
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
