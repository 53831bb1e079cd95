<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * What changes of a few elements do to a few sums of voltages, and to what currents driven into leads make of them, for any
 * number of faults from one elimination.
 *
 * With u the volts that a sum's weights leave, as currents, across the place of a change, d those of the sources, and
 * Z_kl = Z_aa′ + Z_bb′ − Z_ab′ − Z_ba′ between two such places, the changes y and j carry (1 + y·Z)⁻¹·(y·d + j), and what a lead
 * drives into them (1 + y·Z)⁻¹·y·u; every sum moves by −u of itself times that (Woodbury; of one change Sherman and Morrison).
 * What rounding is of it is said beside: where a difference or the denominator has lost its digits, eliminate again.
 */
final class Influence
{
    /** @var array<int, array{float, float, float}> pair of nodes => Z_aa + Z_bb − 2·Z_ab, and the ohms of its terms */
    private array $apart = [];

    private ?Movement $still = null;

    /** As a share of what changes carry: beyond it nobody knows how large the rounding is. */
    private const LOST = 1e-3;

    /** What rounding may be of a change in a batch. */
    private const BATCHED = 1e-6;

    /** Changes from which on eliminating again costs no more. */
    private const MANY = 13;

    /**
     * @param array<int, float>                              $vRe
     * @param array<int, float>                              $vIm
     * @param list<array{array<int, float>, array<int, float>}> $responses by sum: volts of each node for its weights as currents
     * @param list<Complex>                                  $sums       as the network stands
     * @param int                                            $leads      how many of the first sums are a lead's volts
     */
    private function __construct(private readonly SelectedInverse $inverse, private readonly array $vRe, private readonly array $vIm, private readonly array $responses, private readonly array $sums, private readonly int $leads)
    {
    }

    /**
     * @param list<array<int, Complex>> $weights by sum: node => weight of its voltage; every node has to reach the datum
     * @param int                       $leads   how many of the first sums are the volts of one node, into which a current is driven
     */
    public static function on(Elimination $elimination, array $weights, int $leads): self
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

        return new self($elimination->inverse(), $vRe, $vIm, $responses, $sums, $leads);
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
     * How changes move every sum, and what an ampere into each lead makes of it.
     *
     * @param list<array{int, int, float, float, float, float}> $changes nodes, what the admittance (S) between them and the Norton
     *                                                                   current (A, from the first node) of its source gain
     *
     * @return Movement|null null when no digits are left, or there are too many changes
     */
    public function moved(array $changes): ?Movement
    {
        foreach ($changes as [$a, $b]) {
            if (!$this->inverse->reaches($a) || !$this->inverse->reaches($b)) {
                $within = Islands::withinReach($changes, $this->inverse->reaches(...));

                return null === $within ? null : $this->moved($within);
            }
        }

        return match (\count($changes)) {
            0 => $this->still ??= new Movement(array_fill(0, \count($this->sums), array_fill(0, 1 + $this->leads, Complex::zero())), 0.0),
            1 => $this->movedByOne(...$changes[0]),
            default => \count($changes) < self::MANY ? $this->movedByMany($changes) : null,
        };
    }

    /**
     * Small changes of many branches together, to first order.
     *
     * @param list<array{int, int, float, float, float, float}> $changes as of {@see moved()}
     *
     * @return list<list<Complex>> as {@see Movement} has them
     */
    public function leaning(array $changes): array
    {
        return $this->sumsOf($changes, array_map($this->carriedAlone(...), $changes));
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
            $factor = $this->inverse->reaches($from) && $this->inverse->reaches($to) ? $this->factor($from, $to, $siemens[$at], 0.0) : [0.0, 0.0, 0.0];
            if (null === $factor || $factor[2] > self::BATCHED) {
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

    private function movedByOne(int $a, int $b, float $yRe, float $yIm, float $jRe, float $jIm): ?Movement
    {
        if (0.0 !== $jRe || 0.0 !== $jIm) {
            return $this->movedByMany([[$a, $b, $yRe, $yIm, $jRe, $jIm]]);
        }
        $factor = $this->factor($a, $b, $yRe, $yIm);
        if (null === $factor || $factor[2] > self::LOST) {
            return null;
        }
        [$fRe, $fIm, $rounding] = $factor;
        $drops = $this->drops($a, $b);
        $moved = [];
        foreach ($this->responses as [$wRe, $wIm]) {
            $uRe = $wRe[$a] - $wRe[$b];
            $uIm = $wIm[$a] - $wIm[$b];
            $gRe = $fRe * $uRe - $fIm * $uIm;
            $gIm = $fRe * $uIm + $fIm * $uRe;
            $gains = [];
            foreach ($drops as [$dRe, $dIm]) {
                $gains[] = new Complex($gRe * $dRe - $gIm * $dIm, $gRe * $dIm + $gIm * $dRe);
            }
            $moved[] = $gains;
        }

        return new Movement($moved, $rounding);
    }

    /** @param non-empty-list<array{int, int, float, float, float, float}> $changes */
    private function movedByMany(array $changes): ?Movement
    {
        [$re, $im, $errors] = Coupling::of($this->inverse, $changes, array_map($this->carriedAlone(...), $changes));
        $solved = SmallSystem::solved($re, $im, $errors, 1 + $this->leads);

        return null === $solved || $solved[1] > self::LOST ? null : new Movement($this->sumsOf($changes, $solved[0]), $solved[1]);
    }

    /**
     * Volts across a place: of the sources, and of an ampere into each lead.
     *
     * @return non-empty-list<array{float, float}>
     */
    private function drops(int $a, int $b): array
    {
        $drops = [[$this->vRe[$a] - $this->vRe[$b], $this->vIm[$a] - $this->vIm[$b]]];
        for ($lead = 0; $lead < $this->leads; ++$lead) {
            [$wRe, $wIm] = $this->responses[$lead];
            $drops[] = [$wRe[$a] - $wRe[$b], $wIm[$a] - $wIm[$b]];
        }

        return $drops;
    }

    /**
     * What one change carries by the volts as the network stands.
     *
     * @param array{int, int, float, float, float, float} $change
     *
     * @return non-empty-list<array{float, float}>
     */
    private function carriedAlone(array $change): array
    {
        [$a, $b, $yRe, $yIm, $jRe, $jIm] = $change;

        return self::carried($this->drops($a, $b), $yRe, $yIm, $jRe, $jIm);
    }

    /**
     * What changes carry by those volts alone; the source only where the sources drive.
     *
     * @param non-empty-list<array{float, float}> $drops
     *
     * @return non-empty-list<array{float, float}>
     */
    private static function carried(array $drops, float $yRe, float $yIm, float $jRe, float $jIm): array
    {
        $carried = [];
        foreach ($drops as $by => [$re, $im]) {
            $carried[] = [$yRe * $re - $yIm * $im + (0 === $by ? $jRe : 0.0), $yRe * $im + $yIm * $re + (0 === $by ? $jIm : 0.0)];
        }

        return $carried;
    }

    /**
     * @param list<array{int, int, float, float, float, float}> $changes
     * @param list<list<array{float, float}>>                   $carried amperes by change, and by what drives them
     *
     * @return list<list<Complex>>
     */
    private function sumsOf(array $changes, array $carried): array
    {
        $moved = [];
        foreach ($this->responses as [$wRe, $wIm]) {
            $gains = [];
            for ($by = 0; $by <= $this->leads; ++$by) {
                $re = $im = 0.0;
                foreach ($changes as $at => [$a, $b]) {
                    $uRe = $wRe[$a] - $wRe[$b];
                    $uIm = $wIm[$a] - $wIm[$b];
                    [$iRe, $iIm] = $carried[$at][$by];
                    $re -= $uRe * $iRe - $uIm * $iIm;
                    $im -= $uRe * $iIm + $uIm * $iRe;
                }
                $gains[] = new Complex($re, $im);
            }
            $moved[] = $gains;
        }

        return $moved;
    }

    /** @return array{float, float, float}|null −y / (1 + y·z), and what rounding is of it; null where nothing is left of the denominator */
    private function factor(int $a, int $b, float $yRe, float $yIm): ?array
    {
        $pair = $a * \count($this->vRe) + $b;
        [$zRe, $zIm, $terms] = $this->apart[$pair] ??= $this->inverse->apart($a, $b);
        $dRe = 1.0 + $yRe * $zRe - $yIm * $zIm;
        $dIm = $yRe * $zIm + $yIm * $zRe;
        $square = $dRe * $dRe + $dIm * $dIm;
        if (0.0 === $square) {
            return null;
        }

        return [-($yRe * $dRe + $yIm * $dIm) / $square, ($yRe * $dIm - $yIm * $dRe) / $square, SelectedInverse::ROUNDING * (1.0 + (abs($yRe) + abs($yIm)) * $terms) / sqrt($square)];
    }
}
