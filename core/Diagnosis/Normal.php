<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** The normal distribution. */
final class Normal
{
    /**
     * Upper tail Q(x) = P(X > x), relative error below 1.2·10⁻⁷ (Numerical approximation of erfc by a Chebyshev fit,
     * Press et al., section 6.2).
     */
    public static function upper(float $x): float
    {
        if (\INF === $x) {
            return 0.0;
        }
        if (-\INF === $x) {
            return 1.0;
        }
        $z = abs($x) / \M_SQRT2;
        $t = 1.0 / (1.0 + 0.5 * $z);
        $tail = 0.5 * $t * exp(-$z * $z - 1.26551223 + $t * (1.00002368 + $t * (0.37409196 + $t * (0.09678418 + $t * (-0.18628806
            + $t * (0.27886807 + $t * (-1.13520398 + $t * (1.48851587 + $t * (-0.82215223 + $t * 0.17087277)))))))));

        return $x >= 0.0 ? $tail : 1.0 - $tail;
    }

    /** P(a < X < b), taken on the side where nothing cancels. */
    public static function between(float $a, float $b): float
    {
        return $a >= 0.0 ? self::upper($a) - self::upper($b) : ($b <= 0.0 ? self::upper(-$b) - self::upper(-$a) : 1.0 - self::upper(-$a) - self::upper($b));
    }
}
