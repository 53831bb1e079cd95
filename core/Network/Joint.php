<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * A few changes of admittance at once: (1 + Y·D)·x = Y·d for their admittances Y, the impedances D that the network has from one
 * pair of nodes to another, and what d stands across the pairs, by elimination with the largest pivot of each column
 * (the rule for a change of low rank, Woodbury).
 */
final class Joint
{
    /** Of 1, and of what rounding leaves in a row, below which a pivot says nothing. */
    private const LEAST_PIVOT = 1e-6;
    private const ROUNDING = 1e-15;
    private const DIGITS = 1e6;

    /** The smallest pivot, 1 at most: rounding grows as it falls. */
    private float $pivot = 1.0;

    /**
     * @param array<int, float>       $re      M = 1 + Y·D by row, k · k
     * @param array<int, float>       $im
     * @param non-empty-list<array{float, float}> $siemens y of each change
     */
    private function __construct(private readonly int $k, private readonly array $re, private readonly array $im, private readonly array $siemens, private readonly float $ohms)
    {
    }

    /**
     * @param non-empty-list<array{int, int, float, float}> $changes nodes and what their admittance gains, in S; all have to reach the datum
     */
    public static function of(SelectedInverse $inverse, array $changes): self
    {
        $k = \count($changes);
        $re = $im = $siemens = [];
        $ohms = 0.0;
        foreach ($changes as $i => [$a, $b, $yRe, $yIm]) {
            $siemens[] = [$yRe, $yIm];
            foreach ($changes as $j => [$c, $d]) {
                [$acRe, $acIm] = $inverse->between($a, $c);
                [$bdRe, $bdIm] = $inverse->between($b, $d);
                [$adRe, $adIm] = $inverse->between($a, $d);
                [$bcRe, $bcIm] = $inverse->between($b, $c);
                $zRe = $acRe + $bdRe - $adRe - $bcRe;
                $zIm = $acIm + $bdIm - $adIm - $bcIm;
                $re[] = ($i === $j ? 1.0 : 0.0) + $yRe * $zRe - $yIm * $zIm;
                $im[] = $yRe * $zIm + $yIm * $zRe;
                $ohms = max($ohms, abs($acRe) + abs($acIm), abs($bdRe) + abs($bdIm));
            }
        }

        return new self($k, $re, $im, $siemens, $ohms);
    }

    /**
     * What rounding leaves in each of these currents: that of the impedances, times the largest admittance and current.
     *
     * @param list<array{float, float}> $drawn
     */
    public function rounding(array $drawn): float
    {
        $largest = static fn (array $pairs): float => max([0.0, ...array_map(static fn (array $one): float => abs($one[0]) + abs($one[1]), $pairs)]);

        return self::ROUNDING / $this->pivot * $largest($this->siemens) * $this->ohms * $largest($drawn);
    }

    /**
     * The currents x that the changes draw when so much stands across their pairs without them.
     *
     * @param list<list<array{float, float}>> $across right sides: by change, real and imaginary part
     *
     * @return list<list<array{float, float}>>|null null when too few digits are left
     */
    public function drawn(array $across): ?array
    {
        [$k, $re, $im] = [$this->k, $this->re, $this->im];
        $sides = \count($across);
        $xRe = $xIm = $least = [];
        foreach ($this->siemens as $i => [$yRe, $yIm]) {
            $least[$i] = max(self::LEAST_PIVOT, self::DIGITS * self::ROUNDING * (abs($yRe) + abs($yIm)) * $this->ohms);
            foreach ($across as $s => $side) {
                [$dRe, $dIm] = $side[$i];
                $xRe[$i * $sides + $s] = $yRe * $dRe - $yIm * $dIm;
                $xIm[$i * $sides + $s] = $yRe * $dIm + $yIm * $dRe;
            }
        }
        $rows = range(0, $k - 1);
        for ($p = 0; $p < $k; ++$p) {
            // Rows of large admittances are large: each is measured by its own.
            $best = $p;
            $size = 0.0;
            for ($q = $p; $q < $k; ++$q) {
                $at = $rows[$q] * $k + $p;
                $own = (abs($re[$at]) + abs($im[$at])) / $least[$rows[$q]];
                if ($own > $size) {
                    [$best, $size] = [$q, $own];
                }
            }
            if ($size < 1.0) {
                return null;
            }
            [$rows[$p], $rows[$best]] = [$rows[$best], $rows[$p]];
            $row = $rows[$p];
            $at = $row * $k + $p;
            $square = $re[$at] * $re[$at] + $im[$at] * $im[$at];
            $this->pivot = min($this->pivot, sqrt($square));
            for ($q = $p + 1; $q < $k; ++$q) {
                $other = $rows[$q];
                $to = $other * $k + $p;
                if (0.0 === $re[$to] && 0.0 === $im[$to]) {
                    continue;
                }
                $fRe = ($re[$to] * $re[$at] + $im[$to] * $im[$at]) / $square;
                $fIm = ($im[$to] * $re[$at] - $re[$to] * $im[$at]) / $square;
                for ($c = $p + 1; $c < $k; ++$c) {
                    $re[$other * $k + $c] -= $fRe * $re[$row * $k + $c] - $fIm * $im[$row * $k + $c];
                    $im[$other * $k + $c] -= $fRe * $im[$row * $k + $c] + $fIm * $re[$row * $k + $c];
                }
                for ($s = 0; $s < $sides; ++$s) {
                    $xRe[$other * $sides + $s] -= $fRe * $xRe[$row * $sides + $s] - $fIm * $xIm[$row * $sides + $s];
                    $xIm[$other * $sides + $s] -= $fRe * $xIm[$row * $sides + $s] + $fIm * $xRe[$row * $sides + $s];
                }
                // What is taken away from a row leaves its rounding there.
                $least[$other] = max($least[$other], $least[$row] * (abs($fRe) + abs($fIm)));
            }
        }
        $drawn = [];
        for ($s = 0; $s < $sides; ++$s) {
            $own = [];
            for ($p = $k - 1; $p >= 0; --$p) {
                $row = $rows[$p];
                $at = $row * $k + $p;
                [$sumRe, $sumIm] = [$xRe[$row * $sides + $s], $xIm[$row * $sides + $s]];
                for ($c = $p + 1; $c < $k; ++$c) {
                    [$vRe, $vIm] = $own[$c];
                    $sumRe -= $re[$row * $k + $c] * $vRe - $im[$row * $k + $c] * $vIm;
                    $sumIm -= $re[$row * $k + $c] * $vIm + $im[$row * $k + $c] * $vRe;
                }
                $square = $re[$at] * $re[$at] + $im[$at] * $im[$at];
                $own[$p] = [($sumRe * $re[$at] + $sumIm * $im[$at]) / $square, ($sumIm * $re[$at] - $sumRe * $im[$at]) / $square];
            }
            ksort($own);
            $drawn[] = array_values($own);
        }

        return $drawn;
    }
}
