<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * Whether changes of a network can be noticed at some nodes, or in some sums of its voltages, at all, without working out by
 * how much: a branch that the nodes' currents leave without volts across it takes none and gives none.
 *
 * With u the volts across a branch for a unit current into a node (and back by the datum), a branch put in moves that node's
 * impedance by at most |y|·|u|², since 1 + y·z ≥ 1 for what is passive; one that gets more resistance by |Δy|·|u|²·y/y′, since
 * y·z ≤ 1; one taken out by its share y·|u| of the current times the volts that then stand across the gap, in a passive network
 * no more than the node's own. Sources are moved likewise, with their own volts d across the branch, or the supply's across the
 * gap, in place of one u; a sum with what its weights as currents leave across the branch in place of the other.
 */
final readonly class Screen
{
    /** Volts across a gap: those of a supply and ten times what stands at a node that is driven, for what capacitors add. */
    private const SUPPLY_VOLTS = 500.0;
    private const GAP = 10.0;

    /** Of a node's impedance, of a current that is driven into it; amperes of a sum of currents. */
    private const UNNOTICED = 1e-6;
    private const UNNOTICED_AMPERES = 2e-8;

    /**
     * @param list<array{array<int, float>, array<int, float>, float}> $nodes    volts of each node for a unit current into one of them, and its own
     * @param list<array{array<int, float>, array<int, float>}>        $sums     volts of each node for the weights of a sum as currents
     * @param array<int, float>                                        $vRe      as the sources drive them
     * @param array<int, float>                                        $vIm
     * @param array<int, bool>                                         $floating nodes without a way to the datum
     * @param float                                                    $volts    by which a node may move unnoticed
     */
    private function __construct(private array $nodes, private array $sums, private array $vRe, private array $vIm, private array $floating, private float $volts)
    {
    }

    /**
     * @param list<int>                 $nodes
     * @param list<array<int, Complex>> $weights of sums of currents: node => siemens
     * @param float                     $volts   by which a node may move unnoticed
     *
     * @return self|null null when one of the nodes has no way to the datum: what ties it there would be noticed
     */
    public static function on(Elimination $elimination, array $nodes, array $weights = [], float $volts = 1e-4): ?self
    {
        [$vRe, $vIm, $floating] = $elimination->voltages();
        foreach ([...$nodes, ...array_merge(...array_map(array_keys(...), $weights))] as $node) {
            if ($floating[$node]) {
                return null;
            }
        }
        $driven = [];
        foreach ($nodes as $node) {
            [$re, $im] = $elimination->voltages([$node => new Complex(1.0)]);
            $driven[] = [$re, $im, hypot($re[$node], $im[$node])];
        }

        return new self($driven, array_map(static fn (array $weight): array => \array_slice($elimination->voltages($weight), 0, 2), $weights), $vRe, $vIm, $floating, $volts);
    }

    /** @param list<array{int, int, float, float}> $changes nodes of a branch, the modulus of its admittance before and after */
    public function leavesAlone(array $changes): bool
    {
        $drops = [];
        foreach ($changes as [$a, $b]) {
            if ($this->floating[$a] || $this->floating[$b]) {
                $within = Islands::withinReach($changes, fn (int $node): bool => !$this->floating[$node]);

                return null !== $within && $this->leavesAlone($within);
            }
            $drops[] = hypot($this->vRe[$a] - $this->vRe[$b], $this->vIm[$a] - $this->vIm[$b]);
        }
        foreach ($this->nodes as [$re, $im, $own]) {
            $ohms = $volts = 0.0;
            foreach ($changes as $at => [$a, $b, $before, $after]) {
                $u = hypot($re[$a] - $re[$b], $im[$a] - $im[$b]);
                if (0.0 === $after) {
                    $ohms += $before * $u * self::GAP * $own;
                    $volts += $before * $u * self::SUPPLY_VOLTS;
                } else {
                    $moved = abs($after - $before) * max(1.0, $before / $after);
                    $ohms += $moved * $u * $u;
                    $volts += $moved * $u * $drops[$at];
                }
            }
            if ($ohms > self::UNNOTICED * $own || $volts > $this->volts) {
                return false;
            }
        }
        foreach ($this->sums as [$re, $im]) {
            $amperes = 0.0;
            foreach ($changes as $at => [$a, $b, $before, $after]) {
                $u = hypot($re[$a] - $re[$b], $im[$a] - $im[$b]);
                $amperes += 0.0 === $after ? $before * $u * self::SUPPLY_VOLTS : abs($after - $before) * max(1.0, $before / $after) * $u * $drops[$at];
            }
            if ($amperes > self::UNNOTICED_AMPERES || $this->shares($re, $im, $changes)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether what is driven into a node comes by another way to a sum.
     *
     * @param array<int, float>                   $re
     * @param array<int, float>                   $im
     * @param list<array{int, int, float, float}> $changes
     */
    private function shares(array $re, array $im, array $changes): bool
    {
        foreach ($this->nodes as [$ownRe, $ownIm, $own]) {
            $share = 0.0;
            foreach ($changes as [$a, $b, $before, $after]) {
                $u = hypot($re[$a] - $re[$b], $im[$a] - $im[$b]);
                $share += 0.0 === $after ? $before * $u * self::GAP * $own : abs($after - $before) * max(1.0, $before / $after) * $u * hypot($ownRe[$a] - $ownRe[$b], $ownIm[$a] - $ownIm[$b]);
            }
            if ($share > self::UNNOTICED) {
                return true;
            }
        }

        return false;
    }
}
