<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/**
 * The factors fitted to the house as surveyed, and what becomes of the log-probability when a few rows are another cause's.
 *
 * With C the covariance of the factors at the fit, the changed readings are taken out by the rule for a change of low rank
 * (Woodbury) and put in again with the cause's own rows, so that a cause costs systems of the size of what it changes,
 * not of all factors. The other readings keep the weights they have beside the sound house: {@see freed} tells which of them
 * need not. What it finds likely deserves the whole fit all the same.
 */
final class SoundFit
{
    private const PASSES = 12;
    private const SETTLED = 3e-3;
    private const WEIGHTLESS = 1e-9;

    /** Share of its whole weight below which a reading counts as a blunder. */
    private const DRAWN = 0.5;

    /** @var list<float> by reading: weight at the fit */
    private array $weights = [];

    /** @var list<float> by reading: how far it lies from the fit */
    private array $offs = [];

    /** @var list<array<int, float>> of the factors at the fit */
    private array $covariance = [];

    /** @var list<array<int, float>> what the factors' covariance joins two readings by, where the readings weigh */
    private array $joined = [];

    /** @var array<int, list<int>> factors of each reading that is taken for a blunder beside the sound house */
    public readonly array $blunders;

    /** @var array<int, float> a zero for each factor */
    private readonly array $none;

    /**
     * @param list<Term>        $terms    of the house as surveyed, by reading
     * @param list<Cell>        $cells
     * @param array<int, float> $theta    deviations of the factors at the fit
     * @param array<int, float> $triangle of their information
     */
    public function __construct(private readonly array $terms, private readonly array $cells, private readonly array $theta, array $triangle, private readonly LikelihoodResult $sound)
    {
        $blunders = [];
        foreach ($terms as $i => $term) {
            [$weight, $off] = $cells[$i]->isNumber && [] !== $term->at ? $cells[$i]->weighed($term->z + $term->moved($theta), $term->variance) : [0.0, 0.0];
            $this->weights[] = $weight;
            $this->offs[] = $off;
            if ($cells[$i]->isNumber && [] !== $term->at && $weight * $term->variance < self::DRAWN) {
                $blunders[$i] = $term->at;
            }
        }
        $this->blunders = $blunders;
        $n = \count($theta);
        $this->none = 0 === $n ? [] : array_fill(0, $n, 0.0);
        for ($a = 0; $a < $n; ++$a) {
            $this->covariance[] = Triangle::solve($triangle, [$a => 1.0] + $this->none, $n);
        }
        foreach ($terms as $i => $term) {
            $this->joined[$i] = [];
            foreach ($this->weights[$i] > self::WEIGHTLESS ? $terms : [] as $j => $other) {
                $this->joined[$i][$j] = $other->moved($this->carried($term));
            }
        }
    }

    /**
     * Readings that are blunders beside the sound house and might stop being that once the factors that they share with what the
     * cause changes are free: for these {@see with} says too little.
     *
     * @param array<int, Term> $changed by reading
     *
     * @return list<int>
     */
    public function freed(array $changed): array
    {
        $left = array_diff_key($this->blunders, $changed);
        if ([] === $left) {
            return [];
        }
        $free = [];
        foreach ($changed as $i => $term) {
            $free += array_fill_keys([...$term->at, ...$this->terms[$i]->at], true);
        }

        return array_keys(array_filter($left, static fn (array $factors): bool => [] !== array_intersect_key(array_flip($factors), $free)));
    }

    /**
     * @param array<int, Term> $changed by reading
     *
     * @return array{float, array<int, float>} log-probability of everything read, and of each changed reading
     */
    public function with(array $changed): array
    {
        $log = $this->sound->log;
        $out = [];
        foreach ($changed as $i => $term) {
            $log -= $this->sound->each[$i];
            if ($this->weights[$i] > self::WEIGHTLESS) {
                $out[] = $i;
            }
        }
        [$gained, $triangle, $rest] = $this->without($out);
        [$lost, $each] = $this->put($changed, $out, $triangle, $rest);

        return [$log + $gained - $lost + array_sum($each), $each];
    }

    /**
     * Takes readings out: P = W⁻¹ − M·C·Mᵀ for their weights and moves.
     *
     * @param list<int> $out
     *
     * @return array{float, array<int, float>, list<float>} what the rest gains by being fitted without them, the triangle L of P, and L⁻¹ times how far they lie off
     */
    private function without(array $out): array
    {
        $k = \count($out);
        $p = [];
        foreach ($out as $a => $i) {
            $joined = $this->joined[$i];
            for ($b = 0; $b <= $a; ++$b) {
                $p[$a * $k + $b] = -$joined[$out[$b]];
            }
            $p[$a * $k + $a] += 1.0 / $this->weights[$i];
        }
        $p = Triangle::of($p, $k);
        $rest = Triangle::forward($p, array_map(fn (int $i): float => $this->offs[$i], $out), $k);
        $solved = Triangle::backward($p, $rest, $k);
        $gained = 0.0;
        foreach ($out as $a => $i) {
            $sum = 0.0;
            $joined = $this->joined[$i];
            foreach ($out as $b => $j) {
                $sum += $joined[$j] * $solved[$b];
            }
            $gained += 0.5 * $this->weights[$i] * $this->offs[$i] * $sum - 0.5 * log($this->weights[$i]) - log($p[$a * $k + $a]);
        }

        return [$gained, $p, $rest];
    }

    /**
     * Puts the cause's rows in: their joint place is normal before they are read, and is fitted to them as the factors are.
     *
     * @param array<int, Term>  $changed
     * @param list<int>         $out      readings that were taken out
     * @param array<int, float> $triangle of what they leave
     * @param list<float>       $rest
     *
     * @return array{float, array<int, float>} what moving the factors costs, and the log-probability of each reading at the fit
     */
    private function put(array $changed, array $out, array $triangle, array $rest): array
    {
        $taken = \count($out);
        $each = $in = $terms = $cells = $before = $links = [];
        foreach ($changed as $i => $term) {
            if ($term->isPlain) {
                $each[$i] = $term->log;
                continue;
            }
            $link = [];
            $carried = $this->carried($term);
            foreach ($out as $j) {
                $link[] = $this->terms[$j]->moved($carried);
            }
            $link = Triangle::forward($triangle, $link, $taken);
            $place = $term->moved($this->theta);
            for ($b = 0; $b < $taken; ++$b) {
                $place -= $link[$b] * $rest[$b];
            }
            $in[] = $i;
            $terms[] = $term;
            $cells[] = $this->cells[$i];
            $before[] = $place;
            $links[] = $link;
        }
        $k = \count($in);
        $spread = [];
        for ($a = 0; $a < $k; ++$a) {
            $carried = $this->carried($terms[$a]);
            for ($b = 0; $b <= $a; ++$b) {
                $sum = $terms[$b]->moved($carried);
                for ($c = 0; $c < $taken; ++$c) {
                    $sum += $links[$a][$c] * $links[$b][$c];
                }
                $spread[$a * $k + $b] = $spread[$b * $k + $a] = $sum;
            }
        }
        [$places, $cost] = self::fitted($terms, $cells, $before, $spread);
        for ($a = 0; $a < $k; ++$a) {
            $each[$in[$a]] = $cells[$a]->log($terms[$a]->z + $places[$a], $terms[$a]->sigma);
        }

        return [$cost, $each];
    }

    /**
     * The most probable places φ of rows whose places are normal with mean μ and covariance G before they are read:
     * φ = μ + G·√W·(1 + √W·G·√W)⁻¹·√W·(t − μ), weights and targets taken anew in each pass.
     *
     * @param list<Term>        $terms
     * @param list<Cell>        $cells
     * @param list<float>       $before μ
     * @param array<int, float> $spread G
     *
     * @return array{array<int, float>, float} φ, and ½·(φ − μ)ᵀ·G⁻¹·(φ − μ) + ½·log det(1 + √W·G·√W)
     */
    private static function fitted(array $terms, array $cells, array $before, array $spread): array
    {
        $k = \count($terms);
        $places = $before;
        $cost = 0.0;
        for ($pass = 0; $pass < self::PASSES; ++$pass) {
            $roots = $right = $b = [];
            foreach ($terms as $a => $term) {
                // First ask whether the factors could explain the reading at all, then whether they do.
                [$weight, $off] = match (true) {
                    !$cells[$a]->isNumber || [] === $term->at => [0.0, 0.0],
                    0 === $pass => [$term->weight, $cells[$a]->place - $term->z - $places[$a]],
                    default => $cells[$a]->weighed($term->z + $places[$a], $term->variance),
                };
                $roots[$a] = $root = sqrt($weight);
                $right[$a] = $root * ($off + $places[$a] - $before[$a]);
                for ($c = 0; $c <= $a; ++$c) {
                    $b[$a * $k + $c] = ($a === $c ? 1.0 : 0.0) + $root * $roots[$c] * $spread[$a * $k + $c];
                }
            }
            $triangle = Triangle::of($b, $k);
            $drawn = Triangle::solve($triangle, $right, $k);
            $cost = $farthest = 0.0;
            for ($a = 0; $a < $k; ++$a) {
                $moved = 0.0;
                for ($c = 0; $c < $k; ++$c) {
                    $moved += $spread[$a * $k + $c] * $roots[$c] * $drawn[$c];
                }
                $cost += 0.5 * $roots[$a] * $drawn[$a] * $moved + log($triangle[$a * $k + $a]);
                $farthest = max($farthest, abs($before[$a] + $moved - $places[$a]));
                $places[$a] = $before[$a] + $moved;
            }
            if ($pass > 0 && $farthest < self::SETTLED) {
                break;
            }
        }

        return [$places, $cost];
    }

    /** @return array<int, float> */
    private function carried(Term $term): array
    {
        if (null === $term->carried) {
            $carried = $this->none;
            foreach ($term->at as $p => $f) {
                $move = $term->moves[$p];
                foreach ($this->covariance[$f] as $g => $shared) {
                    $carried[$g] += $move * $shared;
                }
            }
            $term->carried = $carried;
        }

        return $term->carried;
    }
}
