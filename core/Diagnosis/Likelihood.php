<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\Factors;
use YellowProbe\Instrument\ShownKind;

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

    private const PASSES = 4;
    private const SETTLED = 3e-3;

    /** Nats below the sound house from which on a cause is only glanced at: nobody will ever see it again. */
    private const HOPELESS = -25.0;

    /** A cell narrower than this many deviations is as good as a point: its error is a twenty-fourth of the square. */
    private const NARROW = 0.1;
    private const ROOT_TWO_PI = 2.5066282746310002;

    /** @var list<array{float, float, float, float, float, bool, float}> by reading: low and high of the cell in units of the display, probability as a blunder, middle and variance of the cell, whether it can move factors, chance that it is no blunder */
    private array $cells = [];

    /** @var array<string, int> factor => place in the system; those that join few readings first, so that the triangle stays thin */
    private readonly array $factors;

    /** @var list<float> tail of the factor at each place */
    private readonly array $tails;

    /** @var list<array{list<int>, list<float>, float, float, float, float, float, float|null}> of the house as surveyed, as {@see term} makes them */
    private array $terms = [];

    /** @var list<array<int, array{list<int>, list<float>, float, float, float, float, float, float|null}>> by reading and row */
    private array $known = [];

    private ?LikelihoodResult $sound = null;

    /** @param list<Evidence> $evidence */
    public function __construct(private readonly array $evidence)
    {
        $names = [];
        foreach ($evidence as $piece) {
            $number = ShownKind::Value === $piece->reading->kind && $piece->display->isLine();
            [$low, $high] = $piece->display->isLine() && ShownKind::Nothing !== $piece->reading->kind ? $piece->display->cell($piece->reading) : [0.0, 0.0];
            [$low, $high] = [sinh($low), sinh($high)];
            [$middle, $width] = is_finite($low) ? [0.5 * ($low + $high), $high - $low] : [0.5 * $high, $high];
            $this->cells[] = [$low, $high, $piece->blunder * $piece->display->broad($piece->reading), $middle, $number ? $width ** 2 / 12.0 / (1.0 + $middle ** 2) : 0.0, $number, 1.0 - $piece->blunder];
            $this->known[] = [];
            $names += $number ? $piece->table()->factors : [];
        }
        uksort($names, static fn (string $a, string $b): int => [1.0 === $names[$a], $a] <=> [1.0 === $names[$b], $b]);
        $this->factors = array_flip(array_keys($names));
        $this->tails = array_values($names);
        foreach ($evidence as $i => $piece) {
            $this->terms[] = $this->term($i, $piece->table()->sound());
        }
    }

    /** The house as surveyed. */
    public function sound(): LikelihoodResult
    {
        return $this->sound ??= $this->fitted($this->terms);
    }

    /** @param array<int, Row> $apart what the cause shows where that is not what the house shows as surveyed, by place in the evidence */
    public function of(array $apart): LikelihoodResult
    {
        if ([] === $apart) {
            return $this->sound();
        }
        $terms = $this->terms;
        $each = $this->sound()->each;
        $nats = 0.0;
        foreach ($apart as $i => $row) {
            $terms[$i] = $term = $this->known[$i][spl_object_id($row)] ??= $this->term($i, $row);
            $nats += $term[5] - $each[$i];
            $each[$i] = $term[5];
        }

        // Where several readings speak against it, each with the factors to itself, no fit is needed.
        return $nats > self::HOPELESS ? $this->fitted($terms) : new LikelihoodResult($this->sound()->log + $nats, array_values($each), $this->factors, []);
    }

    /** @param array<int, array{list<int>, list<float>, float, float, float, float, float, float|null}> $terms */
    private function fitted(array $terms): LikelihoodResult
    {
        $n = \count($this->factors);
        $theta = 0 === $n ? [] : array_fill(0, $n, 0.0);
        $triangle = [];
        for ($pass = 0; $pass < self::PASSES; ++$pass) {
            $before = $theta;
            [$matrix, $right] = $this->system($terms, $theta, 0 === $pass);
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
        foreach ($terms as $i => [$at, $moves, , $z, , , $sigma, $plain]) {
            if (null === $plain) {
                foreach ($at as $p => $f) {
                    $z += $moves[$p] * $theta[$f];
                }
                [$low, $high, $slip, , , , $honest] = $this->cells[$i];
                $plain = log($honest * Noise::ofTester($low, $high, $z, $sigma) + $slip);
            }
            $each[] = $plain;
        }

        return new LikelihoodResult($total + array_sum($each), $each, $this->factors, $triangle);
    }

    /**
     * Normal equations of the factors: each reading weighs as far as it is this cause's own and no blunder.
     *
     * @param array<int, array{list<int>, list<float>, float, float, float, float, float, float|null}> $terms
     * @param array<int, float>                                                                       $theta
     *
     * @return array{array<int, float>, array<int, float>} lower triangle of the matrix, right side
     */
    private function system(array $terms, array $theta, bool $first): array
    {
        $n = \count($theta);
        $matrix = 0 === $n ? [] : array_fill(0, $n * $n, 0.0);
        $right = 0 === $n ? [] : array_fill(0, $n, 0.0);
        for ($a = 0; $a < $n; ++$a) {
            $matrix[$a * $n + $a] = Factors::pull($theta[$a], $this->tails[$a]);
        }
        foreach ($terms as $i => [$at, $moves, $variance, $z, $weight]) {
            if (!$this->cells[$i][5] || [] === $at) {
                continue;
            }
            [$low, $high, $slip, $middle, , , $honest] = $this->cells[$i];
            $off = asinh($middle) - $z;
            // First ask whether the factors could explain the reading at all, then whether they do.
            if (!$first) {
                $moved = 0.0;
                foreach ($at as $p => $f) {
                    $moved += $moves[$p] * $theta[$f];
                }
                $shown = sinh($z + $moved);
                $slope = sqrt(1.0 + $shown * $shown);
                $scale = $slope * sqrt($variance);
                $width = ($high - $low) / $scale;
                $far = ($middle - $shown) / $scale;
                $own = $honest * ($width < self::NARROW ? $width * exp(-0.5 * $far * $far) / self::ROOT_TWO_PI : Normal::between(($low - $shown) / $scale, ($high - $shown) / $scale));
                $weight = $own / ($own + $slip) / $variance;
                $off = ($middle - $shown) / $slope + $moved;
            }
            if ($weight < 1e-9) {
                continue;
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
     * What the fit asks of a row again and again: its factors in rising order and their moves, the variance of the reading,
     * where the row lies, the weight and the log-probability with the factors free, the row's own deviation, and the
     * log-probability where no number is involved.
     *
     * @return array{list<int>, list<float>, float, float, float, float, float, float|null}
     */
    private function term(int $i, Row $row): array
    {
        [$low, $high, $slip, , $cell, , $honest] = $this->cells[$i];
        $plain = $this->evidence[$i]->display->plainProbability($row, $this->evidence[$i]->reading);
        if (null !== $plain) {
            $log = log($honest * $plain + $slip);

            return [[], [], 1.0, 0.0, 0.0, $log, 1.0, $log];
        }
        $moves = [];
        foreach ($row->moves as $factor => $move) {
            if (isset($this->factors[$factor]) && abs($move) > 1e-9) {
                $moves[$this->factors[$factor]] = $move;
            }
        }
        ksort($moves);
        $variance = $row->sigma ** 2 + $cell;
        $free = array_sum(array_map(static fn (float $move): float => $move * $move, $moves));
        $own = $honest * Noise::of($low, $high, $row->z, $variance, $free);
        $any = $own + $slip;

        return [array_keys($moves), array_values($moves), $variance, $row->z, $own / $any / $variance, log($any), $row->sigma, null];
    }
}
