<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * A network eliminated once, node by node, onto a datum, with every intermediate front kept.
 *
 * From it come the voltages of all nodes ({@see solve()}), and, for any few nodes, the small network that stands for
 * all the rest ({@see ports()}): only the fronts on the paths from those nodes to the root of the elimination tree
 * are made again. A fault is then a change among a handful of ports, at any severity, opened or closed, and never a
 * subtraction from the sound network (model: "numbers that stay true").
 */
final class Elimination
{
    /** @var array<int, int> position of each node in the order of elimination; −1 for the datum */
    private array $position;

    /** @var array<int, Front> */
    private array $fronts = [];

    /** @var array<int, int> node => first remaining neighbour of its front: the tree of the elimination */
    private array $parent = [];

    /** @var array<int, list<int>> */
    private array $kids = [];

    private ?SelectedInverse $inverse = null;

    /** @param list<int> $order every node but the datum */
    private function __construct(public readonly Network $network, public readonly int $datum, private readonly array $order)
    {
        $position = array_fill(0, $network->nodeCount, -1);
        foreach ($order as $at => $node) {
            $position[$node] = $at;
        }
        $this->position = $position;
    }

    private function eliminate(): void
    {
        foreach ($this->order as $node) {
            $front = $this->front($node);
            $this->fronts[$node] = $front;
            if ([] !== $front->nodes) {
                $this->parent[$node] = $front->nodes[0];
                $this->kids[$front->nodes[0]][] = $node;
            }
        }
    }

    private function front(int $node): Front
    {
        return Front::of($this->network, $this->datum, $this->position, $node, array_map(fn (int $kid): Front => $this->fronts[$kid], $this->kids[$node] ?? []), [], []);
    }

    /** @param list<int> $last nodes to keep to the end, because they will be asked for as ports again and again */
    public static function of(Network $network, int $datum, array $last = []): self
    {
        $whole = new self($network, $datum, EliminationOrder::of($network, $datum, $last));
        $whole->eliminate();

        return $whole;
    }

    /**
     * The same of a network with other numbers, in the same order: only fronts in which a number differs, and those after them on the
     * way to the root, are made again. Null where its branches are not between the same nodes.
     */
    public function like(Network $network): ?self
    {
        if ($network->from !== $this->network->from || $network->to !== $this->network->to) {
            return null;
        }
        $like = new self($network, $this->datum, $this->order);
        [$like->fronts, $like->parent, $like->kids] = [$this->fronts, $this->parent, $this->kids];
        $anew = $this->differing($network);
        foreach ($this->order as $node) {
            if (isset($anew[$node])) {
                $like->fronts[$node] = $front = $like->front($node);
                if ([] !== $front->nodes) {
                    $anew[$front->nodes[0]] = true;
                }
            }
        }
        if ($network->yRe === $this->network->yRe && $network->yIm === $this->network->yIm) {
            $like->inverse = $this->inverse; // the sources alone differ
        }

        return $like;
    }

    /** @return array<int, true> nodes at a branch that has other numbers in the other network */
    private function differing(Network $other): array
    {
        $own = $this->network;
        $differing = [];
        foreach ($own->from as $branch => $from) {
            if ($own->yRe[$branch] !== $other->yRe[$branch] || $own->yIm[$branch] !== $other->yIm[$branch] || $own->jRe[$branch] !== $other->jRe[$branch] || $own->jIm[$branch] !== $other->jIm[$branch]) {
                $differing[$from] = $differing[$own->to[$branch]] = true;
            }
        }

        return $differing;
    }

    /**
     * All voltages to the datum. A node of an island that nothing ties to the datum has none: see Solution.
     *
     * @throws NumericalError when Kirchhoff's current law is not met to 10⁻⁹
     */
    public function solve(): Solution
    {
        [$re, $im, $floating] = $this->voltages();

        return Solution::checked($this->network, $this->datum, $re, $im, $floating);
    }

    /**
     * Volts of all nodes to the datum: as the sources drive them, or, with currents given, with all sources at rest and
     * these driven from the datum into nodes.
     *
     * @param array<int, Complex>|null $amperes by node
     *
     * @return array{array<int, float>, array<int, float>, array<int, bool>} real and imaginary parts, and which nodes float
     */
    public function voltages(?array $amperes = null): array
    {
        if (null === $amperes) {
            return $this->backwards(array_map(static fn (Front $front): float => $front->currentRe, $this->fronts), array_map(static fn (Front $front): float => $front->currentIm, $this->fronts));
        }
        $re = $im = array_fill(0, $this->network->nodeCount, 0.0);
        foreach ($amperes as $node => $current) {
            $re[$node] += $current->re;
            $im[$node] += $current->im;
        }
        foreach ($this->order as $node) {
            $front = $this->fronts[$node];
            if ($front->floating || (0.0 === $re[$node] && 0.0 === $im[$node])) {
                continue;
            }
            $square = $front->pivotRe * $front->pivotRe + $front->pivotIm * $front->pivotIm;
            $shareRe = ($re[$node] * $front->pivotRe + $im[$node] * $front->pivotIm) / $square;
            $shareIm = ($im[$node] * $front->pivotRe - $re[$node] * $front->pivotIm) / $square;
            foreach ($front->nodes as $i => $other) {
                $re[$other] += $front->columnRe[$i] * $shareRe - $front->columnIm[$i] * $shareIm;
                $im[$other] += $front->columnRe[$i] * $shareIm + $front->columnIm[$i] * $shareRe;
            }
        }

        return $this->backwards($re, $im);
    }

    public function inverse(): SelectedInverse
    {
        return $this->inverse ??= new SelectedInverse($this->position, $this->fronts, $this->order);
    }

    /**
     * The network seen from a few nodes, everything else eliminated, some branches left out.
     *
     * @param list<int> $keep    the ports; the datum may be among them and need not be
     * @param list<int> $without branches to leave out; both their ends must be ports or the datum
     */
    public function ports(array $keep, array $without = []): PortNetwork
    {
        $kept = array_fill_keys($keep, true);
        unset($kept[$this->datum]);
        $left = array_fill_keys($without, true);
        foreach ($without as $branch) {
            foreach ([$this->network->from[$branch], $this->network->to[$branch]] as $end) {
                if ($end !== $this->datum && !isset($kept[$end])) {
                    throw new \LogicException('A branch can only be left out between ports.');
                }
            }
        }
        $affected = [];
        foreach ($kept as $port => $_) {
            for ($node = $port; null !== $node && !isset($affected[$node]); $node = $this->parent[$node] ?? null) {
                $affected[$node] = $this->position[$node];
            }
        }
        asort($affected);
        $pending = [];
        $roots = [];
        $route = static function (Front $front) use ($kept, &$pending, &$roots): void {
            foreach ($front->nodes as $node) {
                if (!isset($kept[$node])) {
                    $pending[$node][] = $front;

                    return;
                }
            }
            $roots[] = $front;
        };
        foreach ($affected as $node => $_) {
            foreach ($this->kids[$node] ?? [] as $kid) {
                if (!isset($affected[$kid])) {
                    $route($this->fronts[$kid]);
                }
            }
        }
        foreach ($affected as $node => $_) {
            if (!isset($kept[$node])) {
                $route(Front::of($this->network, $this->datum, $this->position, $node, $pending[$node] ?? [], $kept, $left));
            }
        }

        return $this->gather(array_keys($kept), $roots, $left);
    }

    /**
     * @param array<int, float> $currentRe into each node, with what was eliminated before it
     * @param array<int, float> $currentIm
     *
     * @return array{array<int, float>, array<int, float>, array<int, bool>}
     */
    private function backwards(array $currentRe, array $currentIm): array
    {
        $re = $im = array_fill(0, $this->network->nodeCount, 0.0);
        $floating = array_fill(0, $this->network->nodeCount, false);
        for ($at = \count($this->order) - 1; $at >= 0; --$at) {
            $node = $this->order[$at];
            $front = $this->fronts[$node];
            if ($front->floating) {
                $floating[$node] = true;
                continue;
            }
            $sumRe = $currentRe[$node];
            $sumIm = $currentIm[$node];
            foreach ($front->nodes as $i => $other) {
                $sumRe += $front->columnRe[$i] * $re[$other] - $front->columnIm[$i] * $im[$other];
                $sumIm += $front->columnRe[$i] * $im[$other] + $front->columnIm[$i] * $re[$other];
            }
            $square = $front->pivotRe * $front->pivotRe + $front->pivotIm * $front->pivotIm;
            $re[$node] = ($sumRe * $front->pivotRe + $sumIm * $front->pivotIm) / $square;
            $im[$node] = ($sumIm * $front->pivotRe - $sumRe * $front->pivotIm) / $square;
            $floating[$node] = [] !== $front->nodes && $floating[$front->nodes[0]];
        }

        return [$re, $im, $floating];
    }

    /**
     * @param list<int>        $ports
     * @param list<Front>      $fronts whose remaining nodes are all ports
     * @param array<int, true> $left   branches left out
     */
    private function gather(array $ports, array $fronts, array $left): PortNetwork
    {
        $network = $this->network;
        $small = new PortNetwork($this->datum, $ports);
        foreach ($ports as $port) {
            foreach ($network->incident[$port] as $branch) {
                if (isset($left[$branch])) {
                    continue;
                }
                $outward = $network->from[$branch] === $port;
                $other = $outward ? $network->to[$branch] : $network->from[$branch];
                $sign = $outward ? -1.0 : 1.0;
                $small->inject($port, $sign * $network->jRe[$branch], $sign * $network->jIm[$branch]);
                // A branch between two ports is met twice and joined once; one to a node eliminated sits in a front.
                if ($other === $this->datum || ($outward && $small->has($other))) {
                    $small->join($port, $other, $network->yRe[$branch], $network->yIm[$branch]);
                }
            }
        }
        foreach ($fronts as $front) {
            $m = \count($front->nodes);
            foreach ($front->nodes as $i => $a) {
                $small->join($a, $this->datum, $front->excessRe[$i], $front->excessIm[$i]);
                $small->inject($a, $front->injectRe[$i], $front->injectIm[$i]);
                for ($j = $i + 1; $j < $m; ++$j) {
                    $small->join($a, $front->nodes[$j], $front->pairRe[$i * $m + $j], $front->pairIm[$i * $m + $j]);
                }
            }
        }

        return $small;
    }
}
