<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/** A handful of linear equations with complex coefficients, for a few right sides: elimination with the larger pivot of a column. */
final class SmallSystem
{
    /**
     * What errors of the coefficients may be of the answer is said with it: the largest over the product of the pivots, every row scaled to 1.
     *
     * @param array<int, float>           $re     coefficients, then right sides, at row · (size + rights) + column
     * @param array<int, float>           $im
     * @param non-empty-array<int, float> $errors by row: the largest error of a coefficient
     *
     * @return array{list<list<array{float, float}>>, float}|null by unknown, and by right side; null where a pivot is nothing
     */
    public static function solved(array $re, array $im, array $errors, int $rights): ?array
    {
        $size = \count($errors);
        $width = $size + $rights;
        $largestError = self::scale($re, $im, $errors, $width);
        $pivots = 1.0;
        for ($k = 0; $k < $size; ++$k) {
            self::exchange($re, $im, $k, $size, $width);
            $own = $k * $width;
            $pRe = $re[$own + $k];
            $pIm = $im[$own + $k];
            $square = $pRe * $pRe + $pIm * $pIm;
            if (0.0 === $square) {
                return null;
            }
            $pivots *= min(1.0, sqrt($square));
            for ($row = $k + 1; $row < $size; ++$row) {
                $at = $row * $width;
                $fRe = ($re[$at + $k] * $pRe + $im[$at + $k] * $pIm) / $square;
                $fIm = ($im[$at + $k] * $pRe - $re[$at + $k] * $pIm) / $square;
                if (0.0 === $fRe && 0.0 === $fIm) {
                    continue;
                }
                for ($column = $k + 1; $column < $width; ++$column) {
                    $ownRe = $re[$own + $column];
                    $ownIm = $im[$own + $column];
                    $re[$at + $column] -= $fRe * $ownRe - $fIm * $ownIm;
                    $im[$at + $column] -= $fRe * $ownIm + $fIm * $ownRe;
                }
            }
        }

        return [self::backwards($re, $im, $size, $rights), $largestError / $pivots];
    }

    /**
     * Every row by its largest coefficient, where that is above 1.
     *
     * @param array<int, float> $re
     * @param array<int, float> $im
     * @param array<int, float> $errors
     *
     * @return float the largest error, scaled likewise
     */
    private static function scale(array &$re, array &$im, array $errors, int $width): float
    {
        $largestError = 0.0;
        $size = \count($errors);
        foreach ($errors as $row => $error) {
            $largest = 1.0;
            $from = $row * $width;
            for ($at = $from; $at < $from + $size; ++$at) {
                $largest = max($largest, abs($re[$at]) + abs($im[$at]));
            }
            $largestError = max($largestError, $error / $largest);
            for ($at = $from; $largest > 1.0 && $at < $from + $width; ++$at) {
                $re[$at] /= $largest;
                $im[$at] /= $largest;
            }
        }

        return $largestError;
    }

    /**
     * Row k for the one below it with the larger pivot.
     *
     * @param array<int, float> $re
     * @param array<int, float> $im
     */
    private static function exchange(array &$re, array &$im, int $k, int $size, int $width): void
    {
        $best = $k;
        $largest = 0.0;
        for ($row = $k; $row < $size; ++$row) {
            $pivot = abs($re[$row * $width + $k]) + abs($im[$row * $width + $k]);
            if ($pivot > $largest) {
                $best = $row;
                $largest = $pivot;
            }
        }
        for ($column = $k; $best !== $k && $column < $width; ++$column) {
            [$one, $other] = [$k * $width + $column, $best * $width + $column];
            [$re[$one], $re[$other]] = [$re[$other], $re[$one]];
            [$im[$one], $im[$other]] = [$im[$other], $im[$one]];
        }
    }

    /**
     * @param array<int, float> $re
     * @param array<int, float> $im
     *
     * @return list<list<array{float, float}>>
     */
    private static function backwards(array $re, array $im, int $size, int $rights): array
    {
        $width = $size + $rights;
        $solved = array_fill(0, $size, array_fill(0, $rights, [0.0, 0.0]));
        for ($k = $size - 1; $k >= 0; --$k) {
            $own = $k * $width;
            $pRe = $re[$own + $k];
            $pIm = $im[$own + $k];
            $square = $pRe * $pRe + $pIm * $pIm;
            for ($right = 0; $right < $rights; ++$right) {
                $sumRe = $re[$own + $size + $right];
                $sumIm = $im[$own + $size + $right];
                for ($column = $k + 1; $column < $size; ++$column) {
                    [$xRe, $xIm] = $solved[$column][$right];
                    $sumRe -= $re[$own + $column] * $xRe - $im[$own + $column] * $xIm;
                    $sumIm -= $re[$own + $column] * $xIm + $im[$own + $column] * $xRe;
                }
                $solved[$k][$right] = [($sumRe * $pRe + $sumIm * $pIm) / $square, ($sumIm * $pRe - $sumRe * $pIm) / $square];
            }
        }

        return $solved;
    }
}
