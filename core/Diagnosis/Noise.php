<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** Probability of a cell of the display, in units of the display (the hyperbolic sines of its places on the line). */
final class Noise
{
    /** A tester's own noise is normal in what is shown; σ is given as a deviation on the line, at the place z. */
    public static function ofTester(float $low, float $high, float $z, float $sigma): float
    {
        $shown = sinh($z);
        $scale = $sigma * sqrt(1.0 + $shown ** 2);

        return Normal::between(($low - $shown) / $scale, ($high - $shown) / $scale);
    }

    /** What factors do is normal on the line. */
    public static function ofFactors(float $low, float $high, float $z, float $sigma): float
    {
        return Normal::between((asinh($low) - $z) / $sigma, (asinh($high) - $z) / $sigma);
    }

    /**
     * Both together: the greater of the two decides which shape their sum has.
     *
     * @param float $own     variance of the tester's noise on the line
     * @param float $factors variance that the factors bring there
     */
    public static function of(float $low, float $high, float $z, float $own, float $factors): float
    {
        $sigma = sqrt($own + $factors);

        return $factors > $own ? self::ofFactors($low, $high, $z, $sigma) : self::ofTester($low, $high, $z, $sigma);
    }

    /**
     * The same, below an edge of a cell and above it.
     *
     * @return array{float, float} probabilities that sum to 1, the less of them to its own last digit
     */
    public static function beside(float $edge, float $z, float $own, float $factors): array
    {
        $sigma = sqrt($own + $factors);
        $shown = sinh($z);
        $far = $factors > $own ? (asinh($edge) - $z) / $sigma : ($edge - $shown) / ($sigma * sqrt(1.0 + $shown ** 2));
        $tail = Normal::upper(abs($far));

        return $far < 0.0 ? [$tail, 1.0 - $tail] : [1.0 - $tail, $tail];
    }
}
