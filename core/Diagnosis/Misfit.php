<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/**
 * How odd all readings together are for one cause: the chance that a worse set is read when it is the cause and nobody
 * slips.
 *
 * The numbers are a normal vector with the factors' covariance, so the least Σ(off/σ)² + Σθ² over the factors is χ² with a
 * degree of freedom each; outcomes without a number add −2·log p with two (Fisher's way of joining tests). The largest term
 * is left out and the rest fitted again: one blunder among the readings is no second fault.
 */
final class Misfit
{
    /**
     * @param list<Evidence> $evidence
     * @param list<Row>      $rows     what the cause shows for each
     */
    public static function tail(array $evidence, array $rows): float
    {
        $numbers = $terms = [];
        foreach ($evidence as $at => $piece) {
            $plain = $piece->display->plainProbability($rows[$at]->shown, $piece->reading);
            if (null !== $plain) {
                $terms[] = -2.0 * log(max(1e-6, $plain));
            } elseif (ShownKind::Value === $piece->reading->kind) {
                $numbers[] = [$rows[$at]->off(self::middle($piece->display, $piece->reading)), $rows[$at]];
            } else {
                $terms[] = -2.0 * log(max(1e-6, Normal::upper($rows[$at]->off($piece->display->cell($piece->reading)[0]) / $rows[$at]->deviation())));
            }
        }
        rsort($terms);
        $squares = self::squares($numbers);
        $worst = [] === $squares ? 0.0 : max($squares);
        if ($worst >= ($terms[0] ?? 0.0) && [] !== $squares) {
            unset($numbers[array_search($worst, $squares, true)]);
            $squares = self::squares(array_values($numbers));
        } else {
            array_shift($terms);
        }
        $freedom = \count($squares) + 2 * \count($terms);

        return 0 === $freedom ? 1.0 : self::upperChiSquare(array_sum($squares) + array_sum($terms), $freedom);
    }

    /**
     * Each number's share of the least sum: its own square with the factors where they fit best; what the factors had to
     * move is spread over all.
     *
     * @param list<array{float, Row}> $numbers how far off, and under what row
     *
     * @return list<float>
     */
    private static function squares(array $numbers): array
    {
        $factors = [];
        foreach ($numbers as [, $row]) {
            foreach ($row->moves as $factor => $move) {
                $factors[$factor] ??= \count($factors);
            }
        }
        $n = \count($factors);
        $matrix = 0 === $n ? [] : array_fill(0, $n * $n, 0.0);
        $right = 0 === $n ? [] : array_fill(0, $n, 0.0);
        for ($a = 0; $a < $n; ++$a) {
            $matrix[$a * $n + $a] = 1.0;
        }
        foreach ($numbers as [$off, $row]) {
            foreach ($row->moves as $one => $move) {
                $right[$factors[$one]] += $move * $off / $row->sigma ** 2;
                foreach ($row->moves as $other => $also) {
                    $matrix[$factors[$one] * $n + $factors[$other]] += $move * $also / $row->sigma ** 2;
                }
            }
        }
        $theta = Triangle::solve(Triangle::of($matrix, $n), $right, $n);
        $moved = array_sum(array_map(static fn (float $deviations): float => $deviations ** 2, $theta));

        return array_map(static function (array $number) use ($factors, $theta, $moved, $numbers): float {
            [$off, $row] = $number;
            foreach ($row->moves as $factor => $move) {
                $off -= $move * $theta[$factors[$factor]];
            }

            return ($off / $row->sigma) ** 2 + $moved / \count($numbers);
        }, $numbers);
    }

    /** P(χ² > x), by Wilson and Hilferty's cube root, good to a few parts in a thousand. */
    private static function upperChiSquare(float $x, int $freedom): float
    {
        $variance = 2.0 / (9.0 * $freedom);

        return Normal::upper((($x / $freedom) ** (1.0 / 3.0) - 1.0 + $variance) / sqrt($variance));
    }

    private static function middle(Display $display, Reading $reading): float
    {
        [$low, $high] = $display->cell($reading);

        return is_finite($low) ? 0.5 * ($low + $high) : 0.5 * $high;
    }
}
