<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Network;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use YellowProbe\Network\Network;

/** Nodal analysis in exact rationals at DC, for small networks: Gauss elimination on the assembled matrix. Shares nothing with the core. */
final class ExactSolver
{
    /** @return array<int, float> volts of each node to the datum */
    public static function volts(Network $network, int $datum): array
    {
        $nodes = array_values(array_filter(range(0, $network->nodeCount - 1), static fn (int $node): bool => $node !== $datum));
        $index = array_flip($nodes);
        $n = \count($nodes);
        $matrix = array_fill(0, $n, array_fill(0, $n + 1, BigRational::zero()));
        foreach ($network->from as $branch => $a) {
            $b = $network->to[$branch];
            $y = self::exact($network->yRe[$branch]);
            $j = self::exact($network->jRe[$branch]);
            foreach ([[$a, $b, $j->negated()], [$b, $a, $j]] as [$own, $other, $current]) {
                if ($own === $datum) {
                    continue;
                }
                $row = $index[$own];
                $matrix[$row][$row] = $matrix[$row][$row]->plus($y);
                $matrix[$row][$n] = $matrix[$row][$n]->plus($current);
                if ($other !== $datum) {
                    $matrix[$row][$index[$other]] = $matrix[$row][$index[$other]]->minus($y);
                }
            }
        }
        for ($k = 0; $k < $n; ++$k) {
            if ($matrix[$k][$k]->isZero()) {
                continue; // the last node of an island that nothing joins to the datum: exactly zero, and nothing drives it
            }
            for ($i = $k + 1; $i < $n; ++$i) {
                if ($matrix[$i][$k]->isZero()) {
                    continue;
                }
                $factor = $matrix[$i][$k]->dividedBy($matrix[$k][$k]);
                for ($j = $k; $j <= $n; ++$j) {
                    $matrix[$i][$j] = $matrix[$i][$j]->minus($factor->multipliedBy($matrix[$k][$j]));
                }
            }
        }
        $solution = [];
        for ($k = $n - 1; $k >= 0; --$k) {
            $sum = $matrix[$k][$n];
            for ($j = $k + 1; $j < $n; ++$j) {
                $sum = $sum->minus($matrix[$k][$j]->multipliedBy($solution[$j]));
            }
            $solution[$k] = $matrix[$k][$k]->isZero() ? BigRational::zero() : $sum->dividedBy($matrix[$k][$k]);
        }
        $volts = [$datum => 0.0];
        foreach ($nodes as $k => $node) {
            $volts[$node] = $solution[$k]->toFloat();
        }

        return $volts;
    }

    /** A float is a dyadic fraction: mantissa times a power of two, without loss. */
    private static function exact(float $value): BigRational
    {
        if (0.0 === $value) {
            return BigRational::zero();
        }
        $exponent = (int) floor(log(abs($value), 2)) - 52;
        $mantissa = $value / 2.0 ** $exponent;
        while ($mantissa !== floor($mantissa)) {
            $mantissa *= 2.0;
            --$exponent;
        }
        $integer = BigInteger::of(\sprintf('%.0f', $mantissa));
        $power = BigInteger::of(2)->power(abs($exponent));

        return $exponent >= 0 ? BigRational::of($integer->multipliedBy($power)) : BigRational::ofFraction($integer, $power);
    }
}
