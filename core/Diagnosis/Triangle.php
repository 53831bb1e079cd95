<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * Small symmetric positive definite systems by Cholesky's triangle, A = L·Lᵀ, kept row by row in one flat array of n·n.
 *
 * Row i of L has nothing before the first column that row i of A has something in, so rows that begin late cost little:
 * put first what is joined to few.
 */
final class Triangle
{
    /**
     * L in the lower triangle; of A only that triangle is read. A has to be positive definite.
     *
     * @param array<int, float> $a n·n
     *
     * @return array<int, float>
     */
    public static function of(array $a, int $n): array
    {
        $first = [];
        for ($i = 0; $i < $n; ++$i) {
            $row = $i * $n;
            $begin = 0;
            while ($begin < $i && 0.0 === $a[$row + $begin]) {
                ++$begin;
            }
            $first[$i] = $begin;
            $pivot = $a[$row + $i];
            for ($j = $begin; $j < $i; ++$j) {
                $other = $j * $n;
                $sum = $a[$row + $j];
                for ($k = max($begin, $first[$j]); $k < $j; ++$k) {
                    $sum -= $a[$row + $k] * $a[$other + $k];
                }
                $sum /= $a[$other + $j];
                $a[$row + $j] = $sum;
                $pivot -= $sum * $sum;
            }
            $a[$row + $i] = sqrt($pivot);
        }

        return $a;
    }

    /**
     * x of L·Lᵀ·x = b.
     *
     * @param array<int, float> $l
     * @param array<int, float> $b
     *
     * @return array<int, float>
     */
    public static function solve(array $l, array $b, int $n): array
    {
        return self::backward($l, self::forward($l, $b, $n), $n);
    }

    /**
     * x of L·x = b.
     *
     * @param array<int, float> $l
     * @param array<int, float> $b
     *
     * @return list<float>
     */
    public static function forward(array $l, array $b, int $n): array
    {
        $x = [];
        for ($i = 0; $i < $n; ++$i) {
            $row = $i * $n;
            $sum = $b[$i];
            for ($k = 0; $k < $i; ++$k) {
                $sum -= $l[$row + $k] * $x[$k];
            }
            $x[] = $sum / $l[$row + $i];
        }

        return $x;
    }

    /**
     * x of Lᵀ·x = b.
     *
     * @param array<int, float> $l
     * @param list<float>       $b
     *
     * @return array<int, float>
     */
    public static function backward(array $l, array $b, int $n): array
    {
        for ($i = $n - 1; $i >= 0; --$i) {
            $row = $i * $n;
            $x = $b[$i] / $l[$row + $i];
            $b[$i] = $x;
            for ($k = 0; $k < $i; ++$k) {
                $b[$k] -= $l[$row + $k] * $x;
            }
        }

        return $b;
    }

    /**
     * √(A⁻¹)ₐₐ: the length of column a of L⁻¹, which begins at its diagonal.
     *
     * @param array<int, float> $l
     */
    public static function deviation(array $l, int $a, int $n): float
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
}
