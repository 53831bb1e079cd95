<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/** What changes of some branches do to each other: 1 + y·Z among them, as {@see SmallSystem} takes it. */
final class Coupling
{
    /**
     * Z_kl = Z_aa′ + Z_bb′ − Z_ab′ − Z_ba′ between the places a–b and a′–b′ of two changes.
     *
     * @param non-empty-list<array{int, int, float, float, float, float}> $changes {@see Influence::moved()}
     * @param non-empty-list<list<array{float, float}>>                   $carried right sides, by change
     *
     * @return array{array<int, float>, array<int, float>, non-empty-array<int, float>} real and imaginary parts, row by row with the right sides; errors by row
     */
    public static function of(SelectedInverse $inverse, array $changes, array $carried): array
    {
        $size = \count($changes);
        $width = $size + \count($carried[0]);
        $allRe = $allIm = array_fill(0, $size * $width, 0.0);
        $errors = array_fill(0, $size, 0.0);
        $places = [];
        foreach ($changes as [$a, $b]) {
            $places[$a] ??= \count($places);
            $places[$b] ??= \count($places);
        }
        [$zRe, $zIm] = $inverse->among(array_keys($places));
        $count = \count($places);
        foreach ($changes as $row => [$a, $b, $yRe, $yIm]) {
            $fromA = $places[$a] * $count;
            $fromB = $places[$b] * $count;
            $siemens = abs($yRe) + abs($yIm);
            foreach ($changes as $column => [$c, $d]) {
                $ac = $fromA + $places[$c];
                $bd = $fromB + $places[$d];
                $ad = $fromA + $places[$d];
                $bc = $fromB + $places[$c];
                $re = $zRe[$ac] + $zRe[$bd] - $zRe[$ad] - $zRe[$bc];
                $im = $zIm[$ac] + $zIm[$bd] - $zIm[$ad] - $zIm[$bc];
                $allRe[$row * $width + $column] = ($row === $column ? 1.0 : 0.0) + $yRe * $re - $yIm * $im;
                $allIm[$row * $width + $column] = $yRe * $im + $yIm * $re;
                $error = SelectedInverse::ROUNDING * (1.0 + $siemens * (abs($zRe[$ac]) + abs($zIm[$ac]) + abs($zRe[$bd]) + abs($zIm[$bd])));
                if ($error > $errors[$row]) {
                    $errors[$row] = $error;
                }
            }
            foreach ($carried[$row] as $right => [$re, $im]) {
                $allRe[$row * $width + $size + $right] = $re;
                $allIm[$row * $width + $size + $right] = $im;
            }
        }

        return [$allRe, $allIm, $errors];
    }
}
