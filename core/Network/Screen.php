<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * Whether changes of a network can be noticed at some nodes at all, without working out by how much: a branch that the nodes'
 * currents leave without volts across it takes none and gives none.
 *
 * With u the volts across a branch for a unit current into a node (and back by the datum), a branch put in moves that node's
 * impedance by at most |y|·|u|², since 1 + y·z ≥ 1 for what is passive; one that gets more resistance by |Δy|·|u|²·y/y′, since
 * y·z ≤ 1; one taken out by its share of the current squared times what lies beyond, at most the insulation of a house.
 * Sources are moved likewise, with their own volts across the branch in place of one u.
 */
final readonly class Screen
{
    /** Nothing in a house lies behind more. */
    private const MOST_OHMS = 1e13;

    /** Of a node's impedance; and volts, for nodes that sources drive. */
    private const UNNOTICED = 1e-7;
    private const UNNOTICED_VOLTS = 1e-4;

    /**
     * @param list<int>                                         $nodes
     * @param list<array{array<int, float>, array<int, float>}> $responses volts of each node for a unit current into one of the nodes
     * @param array<int, float>                                 $vRe       as the sources drive them
     * @param array<int, float>                                 $vIm
     * @param array<int, bool>                                  $floating nodes without a way to the datum
     */
    private function __construct(private array $nodes, private array $responses, private array $vRe, private array $vIm, private array $floating)
    {
    }

    /**
     * @param list<int> $nodes
     *
     * @return self|null null when one of them has no way to the datum: what ties it there would be noticed
     */
    public static function on(Elimination $elimination, array $nodes): ?self
    {
        [$vRe, $vIm, $floating] = $elimination->voltages();
        foreach ($nodes as $node) {
            if ($floating[$node]) {
                return null;
            }
        }

        return new self($nodes, array_map(static fn (int $node): array => \array_slice($elimination->voltages([$node => new Complex(1.0)]), 0, 2), $nodes), $vRe, $vIm, $floating);
    }

    /** @param list<array{int, int, float, float}> $changes nodes of a branch, the modulus of its admittance before and after */
    public function leavesAlone(array $changes): bool
    {
        foreach ($changes as [$a, $b]) {
            if ($this->floating[$a] || $this->floating[$b]) {
                return 1 === \count($changes); // the only tie of an island carries nothing; of two nobody knows
            }
        }
        foreach ($this->nodes as $which => $node) {
            [$re, $im] = $this->responses[$which];
            $own = hypot($re[$node], $im[$node]);
            $ohms = $volts = 0.0;
            foreach ($changes as [$a, $b, $before, $after]) {
                $u = hypot($re[$a] - $re[$b], $im[$a] - $im[$b]);
                $driven = hypot($this->vRe[$a] - $this->vRe[$b], $this->vIm[$a] - $this->vIm[$b]);
                $moved = 0.0 === $after ? $before * $before * self::MOST_OHMS : abs($after - $before) * max(1.0, $before / $after);
                $ohms += $moved * $u * $u;
                $volts += $moved * $u * $driven;
            }
            if ($ohms > self::UNNOTICED * $own || $volts > self::UNNOTICED_VOLTS) {
                return false;
            }
        }

        return true;
    }
}
