<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * Entries of the impedance matrix: volts at one node for an ampere into another, all sources at rest.
 *
 * From the last node eliminated to the first, Z_kj = Σ y_ki·Z_ij / p_k over the remaining neighbours i of k, and
 * Z_kk = (1 + Σ y_ki·Z_ki) / p_k (Takahashi, Fagan and Chin). With the pivots of {@see Front} every term has one sign:
 * entries keep their digits, even if differences of them need not. Each is worked out when it is asked for, and kept.
 */
final class SelectedInverse
{
    /** What rounding is of the terms of a sum of impedances. */
    public const ROUNDING = 3e-14;

    /** @var array<int, array<int, array{float, float}>> node => the other or itself => ohms, both ways round */
    private array $known = [];

    /** @var array<int, true> nodes with a way to the datum */
    private array $reached = [];

    /**
     * @param array<int, int>   $position of each node in the order of elimination, −1 for the datum
     * @param array<int, Front> $fronts
     * @param list<int>         $order
     */
    public function __construct(private readonly array $position, private readonly array $fronts, array $order)
    {
        for ($at = \count($order) - 1; $at >= 0; --$at) {
            $front = $this->fronts[$order[$at]];
            // An island that nothing ties to the datum has no impedance to it.
            if (!$front->floating && ([] === $front->nodes || isset($this->reached[$front->nodes[0]]))) {
                $this->reached[$order[$at]] = true;
            }
        }
    }

    /** Whether a node has an impedance to the datum: the datum itself has one of 0. */
    public function reaches(int $node): bool
    {
        return -1 === $this->position[$node] || isset($this->reached[$node]);
    }

    /**
     * Volts at one node for one ampere into the other; both have to reach the datum.
     *
     * @return array{float, float}
     */
    public function between(int $a, int $b): array
    {
        return $this->known[$a][$b] ?? $this->worked($a, $b);
    }

    /** @return array{float, float} what {@see between()} says and was not known; whatever asks in a loop looks there first, a call less */
    private function worked(int $a, int $b): array
    {
        if ($this->position[$a] < 0 || $this->position[$b] < 0) {
            return [0.0, 0.0];
        }
        [$first, $later] = $this->position[$a] <= $this->position[$b] ? [$a, $b] : [$b, $a];

        // As large one way as the other.
        return $this->known[$a][$b] = $this->known[$b][$a] = $this->entry($this->fronts[$first], $first, $later);
    }

    /** @return array{float, float, float} volts across a place for an ampere through it, and the ohms of the terms */
    public function apart(int $a, int $b): array
    {
        [$aaRe, $aaIm] = $this->known[$a][$a] ?? $this->worked($a, $a);
        [$bbRe, $bbIm] = $this->known[$b][$b] ?? $this->worked($b, $b);
        [$abRe, $abIm] = $this->known[$a][$b] ?? $this->worked($a, $b);

        return [$aaRe + $bbRe - 2.0 * $abRe, $aaIm + $bbIm - 2.0 * $abIm, abs($aaRe) + abs($aaIm) + abs($bbRe) + abs($bbIm)];
    }

    /**
     * All impedances between some nodes, on flat arrays.
     *
     * @param list<int> $nodes
     *
     * @return array{list<float>, list<float>} at place of the one · count + place of the other
     */
    public function among(array $nodes): array
    {
        $re = $im = [];
        foreach ($nodes as $a) {
            foreach ($nodes as $b) {
                [$re[], $im[]] = $this->known[$a][$b] ?? $this->worked($a, $b);
            }
        }

        return [$re, $im];
    }

    /** @return array{float, float} Σ y_ki·Z_ij / p_k, of a node with itself (1 + Σ y_ki·Z_ik) / p_k */
    private function entry(Front $front, int $k, int $j): array
    {
        $sumRe = $k === $j ? 1.0 : 0.0;
        $sumIm = 0.0;
        foreach ($front->nodes as $at => $i) {
            [$re, $im] = $this->known[$i][$j] ?? $this->worked($i, $j);
            $sumRe += $front->columnRe[$at] * $re - $front->columnIm[$at] * $im;
            $sumIm += $front->columnRe[$at] * $im + $front->columnIm[$at] * $re;
        }
        $square = $front->pivotRe * $front->pivotRe + $front->pivotIm * $front->pivotIm;

        return [($sumRe * $front->pivotRe + $sumIm * $front->pivotIm) / $square, ($sumIm * $front->pivotRe - $sumRe * $front->pivotIm) / $square];
    }
}
