<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * What one change of admittance between two nodes does to a few sums of currents and voltages, for any number of changes
 * from one elimination.
 *
 * With z = Z_aa + Z_bb − 2·Z_ab and the sum's response w to its own weights as currents, a change y between a and b moves
 * the sum by −y·(w_a − w_b)·(V_a − V_b) / (1 + y·z), the impedance behind it by −y·(w_a − w_b)² / (1 + y·z) (Sherman and
 * Morrison). Where the differences or the denominator have lost their digits the answer is null: eliminate again.
 */
final class Influence
{
    /** @var array<int, array{float, float}|null> pair of nodes => Z_aa + Z_bb − 2·Z_ab, null where its digits are lost */
    private array $apart = [];

    /** Of Z_aa, below which z is only rounding; of 1, below which an opened branch was the only way. */
    private const LEAST_DIFFERENCE = 1e-7;
    private const LEAST_DENOMINATOR = 1e-6;

    /**
     * @param array<int, float>                              $vRe
     * @param array<int, float>                              $vIm
     * @param list<array{array<int, float>, array<int, float>}> $responses by sum: volts of each node for its weights as currents
     * @param list<Complex>                                  $sums       as the network stands
     */
    private function __construct(private readonly SelectedInverse $inverse, private readonly array $vRe, private readonly array $vIm, private readonly array $responses, private readonly array $sums)
    {
    }

    /** @param list<array<int, Complex>> $weights by sum: node => weight of its voltage; every node has to reach the datum */
    public static function on(Elimination $elimination, array $weights): self
    {
        [$vRe, $vIm] = $elimination->voltages();
        $responses = $sums = [];
        foreach ($weights as $weight) {
            [$re, $im] = $elimination->voltages($weight);
            $responses[] = [$re, $im];
            $sum = Complex::zero();
            foreach ($weight as $node => $factor) {
                $sum = $sum->plus($factor->times(new Complex($vRe[$node], $vIm[$node])));
            }
            $sums[] = $sum;
        }

        return new self($elimination->inverse(), $vRe, $vIm, $responses, $sums);
    }

    public function reaches(int $node): bool
    {
        return $this->inverse->reaches($node);
    }

    /** A sum as the network stands. */
    public function sum(int $which): Complex
    {
        return $this->sums[$which];
    }

    /** Volts of a node for the weights of a sum: of one lead, its impedance to the datum. */
    public function response(int $which, int $node): Complex
    {
        return new Complex($this->responses[$which][0][$node], $this->responses[$which][1][$node]);
    }

    /**
     * How a change of admittance moves every sum, and the impedance behind it.
     *
     * @return list<array{Complex, Complex}>|null null when too few digits are left
     */
    public function moved(int $a, int $b, float $yRe, float $yIm): ?array
    {
        if (!$this->inverse->reaches($a) || !$this->inverse->reaches($b)) {
            // A contact that is the only tie of an island carries nothing.
            return array_map(static fn (): array => [Complex::zero(), Complex::zero()], $this->sums);
        }
        $factor = $this->factor($a, $b, $yRe, $yIm);
        if (null === $factor) {
            return null;
        }
        [$fRe, $fIm] = $factor;
        $dRe = $this->vRe[$a] - $this->vRe[$b];
        $dIm = $this->vIm[$a] - $this->vIm[$b];
        $moved = [];
        foreach ($this->responses as [$wRe, $wIm]) {
            $uRe = $wRe[$a] - $wRe[$b];
            $uIm = $wIm[$a] - $wIm[$b];
            $gRe = $fRe * $uRe - $fIm * $uIm;
            $gIm = $fRe * $uIm + $fIm * $uRe;
            $moved[] = [new Complex($gRe * $dRe - $gIm * $dIm, $gRe * $dIm + $gIm * $dRe), new Complex($gRe * $uRe - $gIm * $uIm, $gRe * $uIm + $gIm * $uRe)];
        }

        return $moved;
    }

    /**
     * Small changes of many branches together, to first order: every sum, and the impedance behind it.
     *
     * @param list<array{int, int, float, float, float, float}> $changes nodes of a branch, what its admittance (S) and the Norton
     *                                                                   current (A, from the first node) of its source gain
     *
     * @return list<array{Complex, Complex}>
     */
    public function leaning(array $changes): array
    {
        $leaning = [];
        foreach ($this->responses as [$wRe, $wIm]) {
            $sumRe = $sumIm = $ownRe = $ownIm = 0.0;
            foreach ($changes as [$a, $b, $yRe, $yIm, $jRe, $jIm]) {
                $uRe = $wRe[$a] - $wRe[$b];
                $uIm = $wIm[$a] - $wIm[$b];
                $dRe = $this->vRe[$a] - $this->vRe[$b];
                $dIm = $this->vIm[$a] - $this->vIm[$b];
                $iRe = $yRe * $dRe - $yIm * $dIm + $jRe;
                $iIm = $yRe * $dIm + $yIm * $dRe + $jIm;
                $sumRe -= $uRe * $iRe - $uIm * $iIm;
                $sumIm -= $uRe * $iIm + $uIm * $iRe;
                $iRe = $yRe * $uRe - $yIm * $uIm;
                $iIm = $yRe * $uIm + $yIm * $uRe;
                $ownRe -= $uRe * $iRe - $uIm * $iIm;
                $ownIm -= $uRe * $iIm + $uIm * $iRe;
            }
            $leaning[] = [new Complex($sumRe, $sumIm), new Complex($ownRe, $ownIm)];
        }

        return $leaning;
    }

    /** Volts across a branch as the network stands. */
    public function across(int $a, int $b): Complex
    {
        return new Complex($this->vRe[$a] - $this->vRe[$b], $this->vIm[$a] - $this->vIm[$b]);
    }

    /**
     * The first sum under many changes, on flat arrays: what a whole catalogue of faults makes of one reading.
     *
     * @param list<int>   $a
     * @param list<int>   $b
     * @param list<float> $siemens real parts; the changes are contacts
     *
     * @return array{list<float>, list<float>} real and imaginary parts, NAN where too few digits are left
     */
    public function batch(array $a, array $b, array $siemens): array
    {
        [$wRe, $wIm] = $this->responses[0];
        $outRe = $outIm = [];
        foreach ($a as $at => $from) {
            $to = $b[$at];
            $factor = $this->inverse->reaches($from) && $this->inverse->reaches($to) ? $this->factor($from, $to, $siemens[$at], 0.0) : [0.0, 0.0];
            if (null === $factor) {
                $outRe[] = $outIm[] = \NAN;
                continue;
            }
            $uRe = $wRe[$from] - $wRe[$to];
            $uIm = $wIm[$from] - $wIm[$to];
            $dRe = $this->vRe[$from] - $this->vRe[$to];
            $dIm = $this->vIm[$from] - $this->vIm[$to];
            $pRe = $uRe * $dRe - $uIm * $dIm;
            $pIm = $uRe * $dIm + $uIm * $dRe;
            $outRe[] = $this->sums[0]->re + $factor[0] * $pRe - $factor[1] * $pIm;
            $outIm[] = $this->sums[0]->im + $factor[0] * $pIm + $factor[1] * $pRe;
        }

        return [$outRe, $outIm];
    }

    /** @return array{float, float}|null −y / (1 + y·z) */
    private function factor(int $a, int $b, float $yRe, float $yIm): ?array
    {
        $pair = $a * \count($this->vRe) + $b;
        $z = \array_key_exists($pair, $this->apart) ? $this->apart[$pair] : $this->apart[$pair] = $this->apart($a, $b);
        if (null === $z) {
            return null;
        }
        [$zRe, $zIm] = $z;
        $dRe = 1.0 + $yRe * $zRe - $yIm * $zIm;
        $dIm = $yRe * $zIm + $yIm * $zRe;
        $square = $dRe * $dRe + $dIm * $dIm;
        if ($square < self::LEAST_DENOMINATOR ** 2) {
            return null;
        }

        return [-($yRe * $dRe + $yIm * $dIm) / $square, ($yRe * $dIm - $yIm * $dRe) / $square];
    }

    /** @return array{float, float}|null */
    private function apart(int $a, int $b): ?array
    {
        [$aaRe, $aaIm] = $this->inverse->between($a, $a);
        [$bbRe, $bbIm] = $this->inverse->between($b, $b);
        [$abRe, $abIm] = $this->inverse->between($a, $b);
        $zRe = $aaRe + $bbRe - 2.0 * $abRe;
        $zIm = $aaIm + $bbIm - 2.0 * $abIm;

        return abs($zRe) + abs($zIm) < self::LEAST_DIFFERENCE * (abs($aaRe) + abs($aaIm) + abs($bbRe) + abs($bbIm)) ? null : [$zRe, $zIm];
    }
}
