<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\Factors;

/**
 * Log-probability of all displayed outcomes under one cause at one severity, the shared factors integrated out.
 *
 * Factors are standard normal, lengths with the tail of a survey that is wrong; a reading moves linearly with them on the
 * display's z line, and its own noise is normal in what is shown. Each outcome is a mixture of what the cause shows and, with a small weight, a blunder. The integral
 * over the factors is Laplace's about their most probable values, found by reweighted least squares, so the order of
 * entry cannot matter and readings on one cable share that cable's uncertainty.
 *
 * A cause is given by what it shows apart from the house as surveyed; what belongs to the readings alone, and what belongs
 * to a row that many causes share, is worked out once.
 */
final class Likelihood
{
    /** Load forgotten, wrong terminal, slip of the pen: what gets through after checks. */
    public const BLUNDER = 0.015;

    /** A reading that somebody doubts is as likely a blunder as not. */
    public const DOUBTED = 0.5;

    private const PASSES = 12;
    private const SETTLED = 3e-3;

    /** Passes more for which a reading is followed whatever it is. */
    private const FOLLOWED = 2;
    private const BETTER = 0.01;

    /** Share of its whole weight below which a reading counts as a blunder. */
    private const DRAWN = 0.5;

    /** Nats below the sound house from which on a cause is only glanced at: nobody will ever see it again. */
    private const HOPELESS = -16.0;

    /** Nats by which the readings of a cause may differ from the sound house's for the factors to stay where they are. */
    private const SLIGHT = 0.5;

    /** @var list<Cell> by reading */
    private array $cells = [];

    /** @var array<string, int> factor => place in the system; those that join few readings first, so that the triangle stays thin */
    private readonly array $factors;

    /** @var list<float> tail of the factor at each place */
    private readonly array $tails;

    /** @var list<Term> of the house as surveyed, by reading */
    private array $terms = [];

    /** @var list<list<float>> log-probability of each reading with the factors free, by place of the row */
    private array $glances = [];

    /** @var list<array<int, Term>> by reading and place of the row */
    private array $known = [];

    /** @var array<int, array<int, Term>> the same, straightened at the fit of the house as surveyed */
    private array $straight = [];

    private readonly LikelihoodResult $sound;

    private readonly SoundFit $fit;

    /** @var array<int, float> the factors as the house as surveyed has them */
    private readonly array $theta;

    /** @param list<Evidence> $evidence */
    public function __construct(private readonly array $evidence)
    {
        $names = [];
        foreach ($evidence as $piece) {
            $this->cells[] = $cell = new Cell($piece);
            $this->known[] = [];
            $names += $cell->isNumber ? $piece->table()->factors : [];
        }
        uksort($names, static fn (string $a, string $b): int => [1.0 === $names[$a], $a] <=> [1.0 === $names[$b], $b]);
        $this->factors = array_flip(array_keys($names));
        $this->tails = array_values($names);
        foreach ($evidence as $i => $piece) {
            $this->glances[] = Glance::at($piece->table()->rows, $piece, $this->cells[$i], $this->factors);
            $this->terms[] = $this->term($i, PredictionTable::SOUND);
        }
        [$this->sound, $this->theta] = $this->fitted($this->terms);
        // Readings are taken out of it by the weights they have at the very fit: others could leave less than nothing.
        $triangle = Triangle::of($this->system($this->terms, $this->theta, false, [])[0], \count($this->factors));
        $this->fit = new SoundFit(array_map(fn (Term $term): Term => $term->straight($this->theta), $this->terms), $this->cells, $this->theta, $triangle, $this->tails, $this->sound);
    }

    /** The house as surveyed. */
    public function sound(): LikelihoodResult
    {
        return $this->sound;
    }

    /** @param array<int, int> $apart places of the rows that are not the sound house's, by place in the evidence */
    public function of(array $apart): LikelihoodResult
    {
        return [] === $apart ? $this->sound : $this->fitted($this->changed($apart) + $this->terms)[0];
    }

    /**
     * The same at a fraction of the price: what the cause does not change stays as it is beside the sound house.
     *
     * @param array<int, int> $apart
     * @param float           $hopeless nats below the sound house from which on nobody will ever see it again
     */
    public function near(array $apart, float $hopeless = self::HOPELESS): LikelihoodResult
    {
        if ([] === $apart) {
            return $this->sound;
        }
        $each = [];
        $nats = 0.0;
        foreach ($apart as $i => $place) {
            $each[$i] = $own = $this->glances[$i][$place];
            $nats += $own - $this->sound->each[$i];
        }
        // Where several readings speak against it, each with the factors to itself, no fit is needed.
        $log = $this->sound->log + $nats;
        if ($nats > $hopeless) {
            $changed = $this->changed($apart);
            $slight = $this->slight($changed);
            $straight = null === $slight ? $this->straight($apart, $changed) : [];
            if (null === $slight && !$this->fit->holds($straight)) {
                return $this->of($apart);
            }
            [$log, $each] = $slight ?? $this->fit->with($straight);
        }

        return new LikelihoodResult($log, array_values(array_replace($this->sound->each, $each)), $this->factors, []);
    }

    /**
     * With the factors where the house as surveyed has them; null where the readings would differ so much that these move.
     *
     * @param array<int, Term> $changed
     *
     * @return array{float, array<int, float>}|null
     */
    private function slight(array $changed): ?array
    {
        $each = [];
        $log = $this->sound->log;
        $apart = 0.0;
        foreach ($changed as $i => $term) {
            $each[$i] = $own = $this->one($i, $term, $this->theta);
            $log += $own - $this->sound->each[$i];
            // And as much with the factors free: another fit may suit the cause where the sound house strains.
            $apart += max(abs($own - $this->sound->each[$i]), abs($term->log - $this->terms[$i]->log));
            if ($apart > self::SLIGHT) {
                return null;
            }
        }

        return [$log, $each];
    }

    /** @param array<int, float> $theta */
    private function one(int $i, Term $term, array $theta): float
    {
        return $term->isPlain ? $term->log : $this->cells[$i]->log($term->z + $term->moved($theta), $term->sigma);
    }

    /**
     * @param array<int, int> $apart
     *
     * @return array<int, Term>
     */
    private function changed(array $apart): array
    {
        $changed = [];
        foreach ($apart as $i => $place) {
            $changed[$i] = $this->known[$i][$place] ??= $this->term($i, $place);
        }

        return $changed;
    }

    /**
     * @param array<int, int>  $apart
     * @param array<int, Term> $changed
     *
     * @return array<int, Term> as straight lines where the factors are beside the sound house
     */
    private function straight(array $apart, array $changed): array
    {
        $straight = [];
        foreach ($apart as $i => $place) {
            $straight[$i] = $this->straight[$i][$place] ??= $changed[$i]->straight($this->theta);
        }

        return $straight;
    }

    private function term(int $i, int $place): Term
    {
        return Term::of($this->evidence[$i]->table()->rows->row($place), $this->glances[$i][$place], $this->evidence[$i], $this->cells[$i], $this->factors);
    }

    /**
     * The best fit that is found: where a reading is taken for a blunder it draws on no factor, and so stays one. Each of those,
     * and all of them together, are therefore followed for once, and what fits the whole better is kept.
     *
     * @param array<int, Term> $terms by reading
     *
     * @return array{LikelihoodResult, array<int, float>} with the factors
     */
    private function fitted(array $terms): array
    {
        $n = \count($this->factors);
        $best = $this->settled($terms, 0 === $n ? [] : array_fill(0, $n, 0.0), []);
        $tried = [];
        for ($better = true; $better;) {
            $better = false;
            $blunders = $this->blunders($terms, $best[1]);
            foreach (\count($blunders) > 1 ? [...array_chunk($blunders, 1), $blunders] : array_chunk($blunders, 1) as $followed) {
                $key = implode(' ', $followed);
                if (isset($tried[$key])) {
                    continue;
                }
                $tried[$key] = true;
                $other = $this->settled($terms, $best[1], array_fill_keys($followed, true));
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
     * Readings that the factors could follow and do not.
     *
     * @param array<int, Term>  $terms
     * @param array<int, float> $theta
     *
     * @return list<int>
     */
    private function blunders(array $terms, array $theta): array
    {
        $blunders = [];
        foreach ($this->cells as $i => $cell) {
            $term = $terms[$i];
            if ($cell->isNumber && [] !== $term->at && $term->weight * $term->variance >= self::DRAWN && $cell->weighed($term->z + $term->moved($theta), $term->variance)[0] * $term->variance < self::DRAWN) {
                $blunders[] = $i;
            }
        }

        return $blunders;
    }

    /**
     * Reweighted least squares from where the factors are.
     *
     * @param array<int, Term>  $terms by reading
     * @param array<int, float> $theta
     * @param array<int, true>  $followed readings that are no blunders at first; none where at first each is followed as far as the factors could explain it at all
     *
     * @return array{LikelihoodResult, array<int, float>}
     */
    private function settled(array $terms, array $theta, array $followed): array
    {
        $n = \count($theta);
        $triangle = [];
        for ($pass = 0, $passes = self::PASSES + ([] === $followed ? 0 : self::FOLLOWED); $pass < $passes; ++$pass) {
            $before = $theta;
            [$matrix, $right] = $this->system($terms, $theta, [] === $followed && 0 === $pass, $pass < self::FOLLOWED ? $followed : []);
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
            $each[] = $this->one($i, $terms[$i], $theta);
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
                isset($followed[$i]) => [1.0 / $term->variance, asinh($cell->middle) - $place],
                $first => [$term->weight, asinh($cell->middle) - $place],
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
}
