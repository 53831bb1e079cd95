<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\Factors;

/**
 * The factors that readings share, fitted to them under one cause: their most probable values by reweighted least squares, a
 * reading weighing as far as it is the cause's own and no blunder, and Laplace's integral about them.
 */
final readonly class FactorFit
{
    private const PASSES = 12;
    private const SETTLED = 3e-3;

    /** Passes more for which a reading is followed whatever it is. */
    private const FOLLOWED = 2;

    /** The same beside those that are explained already: a source grows by its exponent, and lines lead to it in steps. */
    private const HELD = 6;

    private const BETTER = 0.01;

    /** Share of its whole weight below which a reading counts as a blunder. */
    private const DRAWN = 0.5;

    /**
     * @param list<Cell>         $cells   by reading
     * @param array<string, int> $factors factor => place in the system
     * @param list<float>        $tails   of the factor at each place
     */
    public function __construct(private array $cells, private array $factors, private array $tails)
    {
    }

    /**
     * The best fit that is found: where a reading is taken for a blunder it draws on no factor, and so stays one. Each of those,
     * those that one factor moves, and all of them together, are therefore followed for once, and what fits the whole better is kept.
     *
     * @param array<int, Term>       $terms by reading
     * @param array<int, float>|null $beside factors that a like cause has, near which they are sought first: where they lie far from the survey, the way there may be barred by slips
     * @param array<int, mixed>      $own    by reading: those that differ from the like cause's, which alone are followed anew beside it
     *
     * @return array{LikelihoodResult, array<int, float>} with the factors
     */
    public function of(array $terms, ?array $beside = null, array $own = []): array
    {
        $n = \count($this->factors);
        $best = null === $beside ? null : $this->settled($terms, $beside, null);
        if (null === $best || [] !== $this->followable($terms, $best[1])) {
            $afresh = $this->settled($terms, 0 === $n ? [] : array_fill(0, $n, 0.0), []);
            $best = null === $best || $afresh[0]->log > $best[0]->log ? $afresh : $best;
        }
        $tried = [];
        for ($better = true; $better;) {
            $better = false;
            foreach ($this->followable($terms, $best[1]) as $followed) {
                $key = implode(' ', $followed);
                if (isset($tried[$key]) || (null !== $beside && [] === array_intersect_key(array_flip($followed), $own))) {
                    continue;
                }
                $tried[$key] = true;
                $other = $this->settled($terms, $best[1], array_fill_keys($followed, true), self::FOLLOWED);
                if ($other[0]->log <= $best[0]->log + self::BETTER) {
                    // Let go of, what the factors explain now draws them back or is lost half-way: it is held as well.
                    $other = $this->settled($terms, $best[1], $this->held($followed, $terms, $best[1]), self::HELD);
                }
                if ($other[0]->log > $best[0]->log + self::BETTER) {
                    $best = $other;
                    $better = true;
                    break;
                }
            }
        }

        return $best;
    }

    /**
     * Readings that are taken for blunders and might be none: each that the factors could explain by itself; those that one factor
     * moves, for where it is far from the survey each alone would be paid for too dearly; and all.
     *
     * @param array<int, Term>  $terms
     * @param array<int, float> $theta
     *
     * @return list<list<int>>
     */
    private function followable(array $terms, array $theta): array
    {
        $alone = $all = $byFactor = [];
        foreach ($this->cells as $i => $cell) {
            $term = $terms[$i];
            if (!$cell->isNumber || [] === $term->at || self::isExplained($cell, $term, $theta)) {
                continue;
            }
            foreach ($term->at as $p => $f) {
                if ($term->moves[$p] ** 2 > $term->variance) {
                    $byFactor[$f][] = $i;
                }
            }
            if ($term->weight * $term->variance >= self::DRAWN) {
                $alone[] = [$i];
                $all[] = $i;
            }
        }

        return array_values(array_filter([...$alone, ...array_values(array_filter($byFactor, static fn (array $several): bool => \count($several) > 1)), $all]));
    }

    /**
     * Readings that are explained where the factors are, with those that are followed besides.
     *
     * @param list<int>         $followed
     * @param array<int, Term>  $terms
     * @param array<int, float> $theta
     *
     * @return array<int, true>
     */
    private function held(array $followed, array $terms, array $theta): array
    {
        $held = array_fill_keys($followed, true);
        foreach ($this->cells as $i => $cell) {
            if ($cell->isNumber && [] !== $terms[$i]->at && self::isExplained($cell, $terms[$i], $theta)) {
                $held[$i] = true;
            }
        }

        return $held;
    }

    /**
     * Whether a reading draws on the factors where these are, or is taken for a blunder there.
     *
     * @param array<int, float> $theta
     */
    private static function isExplained(Cell $cell, Term $term, array $theta): bool
    {
        return $cell->weighed($term->z + $term->moved($theta), $term->variance)[0] * $term->variance >= self::DRAWN;
    }

    /**
     * Reweighted least squares from where the factors are.
     *
     * @param array<int, Term>  $terms by reading
     * @param array<int, float> $theta
     * @param array<int, true>|null $followed readings that are no blunders at first; none where at first each is followed as far as the factors could explain it at all, null where as far as they do
     * @param int               $for      passes for which they are none
     *
     * @return array{LikelihoodResult, array<int, float>}
     */
    private function settled(array $terms, array $theta, ?array $followed, int $for = self::FOLLOWED): array
    {
        $n = \count($theta);
        $triangle = [];
        for ($pass = 0, $passes = self::PASSES + (null === $followed || [] === $followed ? 0 : $for); $pass < $passes; ++$pass) {
            $before = $theta;
            [$matrix, $right] = $this->system($terms, $theta, [] === $followed && 0 === $pass, $pass < $for ? $followed ?? [] : []);
            $triangle = Triangle::of($matrix, $n);
            $theta = Triangle::solve($triangle, $right, $n);
            $moved = 0.0;
            for ($a = 0; $a < $n; ++$a) {
                $moved = max($moved, abs($theta[$a] - $before[$a]));
            }
            if ($pass > 0 && $moved < self::SETTLED) {
                break;
            }
        }
        $total = 0.0;
        for ($a = 0; $a < $n; ++$a) {
            $total += Factors::logDensity($theta[$a], $this->tails[$a]) - log($triangle[$a * $n + $a]);
        }
        $each = [];
        foreach (array_keys($this->cells) as $i) {
            $each[] = $this->log($i, $terms[$i], $theta);
        }

        return [new LikelihoodResult($total + array_sum($each), $each, $this->factors, $triangle), $theta];
    }

    /**
     * Normal equations of the factors: each reading weighs as far as it is this cause's own and no blunder.
     *
     * @param array<int, Term>  $terms
     * @param array<int, float> $theta
     * @param array<int, true>  $followed
     *
     * @return array{array<int, float>, array<int, float>} lower triangle of the matrix, right side
     */
    private function system(array $terms, array $theta, bool $first, array $followed): array
    {
        $n = \count($theta);
        $matrix = 0 === $n ? [] : array_fill(0, $n * $n, 0.0);
        $right = 0 === $n ? [] : array_fill(0, $n, 0.0);
        for ($a = 0; $a < $n; ++$a) {
            $matrix[$a * $n + $a] = Factors::pull($theta[$a], $this->tails[$a]);
        }
        foreach ($this->cells as $i => $cell) {
            $term = $terms[$i];
            if (!$cell->isNumber || [] === $term->at) {
                continue;
            }
            // First ask whether the factors could explain the reading at all, then whether they do.
            $place = $term->z + $term->moved($theta);
            [$weight, $off] = match (true) {
                isset($followed[$i]) => [1.0 / $term->variance, $cell->place - $place],
                $first => [$term->weight, $cell->place - $place],
                default => $cell->weighed($place, $term->variance),
            };
            if ($weight < 1e-9) {
                continue;
            }
            $at = $term->at;
            $moves = $term->slopes($theta);
            foreach ($at as $p => $f) {
                $off += $moves[$p] * $theta[$f];
            }
            foreach ($at as $p => $f) {
                $weighed = $weight * $moves[$p];
                $right[$f] += $weighed * $off;
                $row = $f * $n;
                for ($q = 0; $q <= $p; ++$q) {
                    $matrix[$row + $at[$q]] += $weighed * $moves[$q];
                }
            }
        }

        return [$matrix, $right];
    }

    /**
     * @param array<int, float> $theta
     *
     * @return float nats that factors so far from the survey cost
     */
    public function paid(array $theta): float
    {
        $nats = 0.0;
        foreach ($theta as $a => $deviations) {
            $nats += Factors::logDensity(0.0, $this->tails[$a]) - Factors::logDensity($deviations, $this->tails[$a]);
        }

        return $nats;
    }

    /**
     * The triangle of the factors' information, by the weights that readings have at the very fit: taken out by others they could
     * leave less than nothing.
     *
     * @param array<int, Term>  $terms
     * @param array<int, float> $theta
     *
     * @return array<int, float>
     */
    public function triangle(array $terms, array $theta): array
    {
        return Triangle::of($this->system($terms, $theta, false, [])[0], \count($theta));
    }

    /**
     * Log-probability of one reading where the factors are.
     *
     * @param array<int, float> $theta
     */
    private function log(int $i, Term $term, array $theta): float
    {
        return $term->isPlain ? $term->log : $this->cells[$i]->log($term->z + $term->moved($theta), $term->sigma);
    }
}
