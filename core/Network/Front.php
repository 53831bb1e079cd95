<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * What eliminating one node leaves behind: its own column for the way back, and its update for the nodes that remain.
 *
 * With the pivot p = excess + Σ y_kj and m remaining neighbours, the update holds y_ki·y_kj/p on the pairs (packed,
 * i < j, at i·m + j), y_ki·excess/p on the excesses and y_ki·J/p on the currents. Every operation adds or multiplies
 * numbers of one sign: nothing is subtracted, so twelve decades of conductance keep their digits
 * (Grassmann, Taksar and Heyman's elimination).
 *
 * @internal
 */
final class Front
{
    /** @var list<int> remaining neighbours, in the order of elimination */
    public array $nodes = [];

    /** @var array<int, float> y_kj */
    public array $columnRe = [];

    /** @var array<int, float> */
    public array $columnIm = [];

    public float $pivotRe = 0.0;
    public float $pivotIm = 0.0;
    public float $currentRe = 0.0;
    public float $currentIm = 0.0;

    /** @var array<int, float> */
    public array $pairRe = [];

    /** @var array<int, float> */
    public array $pairIm = [];

    /** @var array<int, float> */
    public array $excessRe = [];

    /** @var array<int, float> */
    public array $excessIm = [];

    /** @var array<int, float> */
    public array $injectRe = [];

    /** @var array<int, float> */
    public array $injectIm = [];

    /** Whether the node belongs to an island that nothing ties to the datum: its voltage is undefined. */
    public bool $floating = false;

    /**
     * Eliminates one node.
     *
     * @param array<int, int>  $position of each node in the order of elimination, −1 for the datum
     * @param list<self>       $kids fronts that still hold this node and no earlier one
     * @param array<int, true> $kept nodes that are never eliminated
     * @param array<int, true> $left branches left out
     */
    public static function of(Network $network, int $datum, array $position, int $node, array $kids, array $kept, array $left): self
    {
        $front = new self();
        $here = $position[$node];
        $re = $im = [];
        $excessRe = $excessIm = $currentRe = $currentIm = 0.0;
        foreach ($network->incident[$node] as $branch) {
            if (isset($left[$branch])) {
                continue;
            }
            if ($network->from[$branch] === $node) {
                $other = $network->to[$branch];
                $currentRe -= $network->jRe[$branch];
                $currentIm -= $network->jIm[$branch];
            } else {
                $other = $network->from[$branch];
                $currentRe += $network->jRe[$branch];
                $currentIm += $network->jIm[$branch];
            }
            if ($other === $datum) {
                $excessRe += $network->yRe[$branch];
                $excessIm += $network->yIm[$branch];
            } elseif (isset($kept[$other]) || $position[$other] > $here) {
                $re[$other] = ($re[$other] ?? 0.0) + $network->yRe[$branch];
                $im[$other] = ($im[$other] ?? 0.0) + $network->yIm[$branch];
            }
        }
        foreach ($kids as $kid) {
            $m = \count($kid->nodes);
            $at = (int) array_search($node, $kid->nodes, true);
            $excessRe += $kid->excessRe[$at];
            $excessIm += $kid->excessIm[$at];
            $currentRe += $kid->injectRe[$at];
            $currentIm += $kid->injectIm[$at];
            foreach ($kid->nodes as $i => $other) {
                if ($i !== $at) {
                    $pair = $i < $at ? $i * $m + $at : $at * $m + $i;
                    $re[$other] = ($re[$other] ?? 0.0) + $kid->pairRe[$pair];
                    $im[$other] = ($im[$other] ?? 0.0) + $kid->pairIm[$pair];
                }
            }
        }
        $nodes = [];
        foreach ($re as $other => $_) {
            $nodes[$position[$other]] = $other;
        }
        ksort($nodes);
        $nodes = array_values($nodes);
        $m = \count($nodes);
        $place = array_flip($nodes);
        $pairRe = $pairIm = $m > 1 ? array_fill(0, $m * $m, 0.0) : [];
        $outExcessRe = $outExcessIm = $outRe = $outIm = $m > 0 ? array_fill(0, $m, 0.0) : [];
        foreach ($kids as $kid) {
            $n = \count($kid->nodes);
            foreach ($kid->nodes as $i => $a) {
                if ($a === $node) {
                    continue;
                }
                $ia = $place[$a];
                $outExcessRe[$ia] += $kid->excessRe[$i];
                $outExcessIm[$ia] += $kid->excessIm[$i];
                $outRe[$ia] += $kid->injectRe[$i];
                $outIm[$ia] += $kid->injectIm[$i];
                for ($j = $i + 1; $j < $n; ++$j) {
                    if ($kid->nodes[$j] !== $node) {
                        $ib = $place[$kid->nodes[$j]];
                        $to = $ia < $ib ? $ia * $m + $ib : $ib * $m + $ia;
                        $pairRe[$to] += $kid->pairRe[$i * $n + $j];
                        $pairIm[$to] += $kid->pairIm[$i * $n + $j];
                    }
                }
            }
        }
        $columnRe = $columnIm = [];
        $pivotRe = $excessRe;
        $pivotIm = $excessIm;
        foreach ($nodes as $other) {
            $columnRe[] = $re[$other];
            $columnIm[] = $im[$other];
            $pivotRe += $re[$other];
            $pivotIm += $im[$other];
        }
        $square = $pivotRe * $pivotRe + $pivotIm * $pivotIm;
        if (0.0 === $square) {
            // The last node of an island. What its sources drive comes back within it; rounding alone is left here.
            $front->floating = true;
        } else {
            for ($i = 0; $i < $m; ++$i) {
                $fRe = ($columnRe[$i] * $pivotRe + $columnIm[$i] * $pivotIm) / $square;
                $fIm = ($columnIm[$i] * $pivotRe - $columnRe[$i] * $pivotIm) / $square;
                $outExcessRe[$i] += $fRe * $excessRe - $fIm * $excessIm;
                $outExcessIm[$i] += $fRe * $excessIm + $fIm * $excessRe;
                $outRe[$i] += $fRe * $currentRe - $fIm * $currentIm;
                $outIm[$i] += $fRe * $currentIm + $fIm * $currentRe;
                for ($j = $i + 1; $j < $m; ++$j) {
                    $pairRe[$i * $m + $j] += $fRe * $columnRe[$j] - $fIm * $columnIm[$j];
                    $pairIm[$i * $m + $j] += $fRe * $columnIm[$j] + $fIm * $columnRe[$j];
                }
            }
        }
        $front->nodes = $nodes;
        $front->columnRe = $columnRe;
        $front->columnIm = $columnIm;
        $front->pivotRe = $pivotRe;
        $front->pivotIm = $pivotIm;
        $front->currentRe = $currentRe;
        $front->currentIm = $currentIm;
        $front->pairRe = $pairRe;
        $front->pairIm = $pairIm;
        $front->excessRe = $outExcessRe;
        $front->excessIm = $outExcessIm;
        $front->injectRe = $outRe;
        $front->injectIm = $outIm;

        return $front;
    }
}
