<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * A linear network of two-terminal passive elements and independent sources, ready to be eliminated.
 *
 * Nodes are 0 … nodeCount−1. Branch b joins from[b] to to[b] with the admittance yRe[b] + j·yIm[b] (siemens);
 * a source of e volts in series with it is kept as the Norton current jRe[b] + j·jIm[b] (amperes), flowing out of
 * from[b] and into to[b]. An open switch is no branch at all and an ideal link no branch but one node: both are
 * decided in NetworkBuilder before any number is looked at.
 */
final readonly class Network
{
    /**
     * @param list<int>                   $from
     * @param list<int>                   $to
     * @param array<int, float>                 $yRe
     * @param array<int, float>                 $yIm
     * @param array<int, float>                 $jRe
     * @param array<int, float>                 $jIm
     * @param array<string, int>          $nodes    name of a node => its number (several names may share a number)
     * @param array<string, int>          $elements name of an element => its branch
     * @param array<int, list<int>>       $incident node => branches that touch it
     * @param list<array{int, int, float, float}> $thresholds what conducts only above some volts: nodes, volts, siemens
     *                                                then. No branches: they are joined by who knows the volts
     */
    public function __construct(
        public int $nodeCount,
        public array $from,
        public array $to,
        public array $yRe,
        public array $yIm,
        public array $jRe,
        public array $jIm,
        public array $nodes,
        public array $elements,
        public array $incident,
        public array $thresholds = [],
    ) {
    }

    /** @throws \OutOfBoundsException when no node has that name */
    public function node(string $name): int
    {
        return $this->nodes[$name] ?? throw new \OutOfBoundsException(\sprintf('There is no node "%s" in this network.', $name));
    }

    public function hasNode(string $name): bool
    {
        return isset($this->nodes[$name]);
    }

    /** The branch of an element, or null when the element is absent in this state (open, lifted, unplugged). */
    public function branch(string $element): ?int
    {
        return $this->elements[$element] ?? null;
    }

    public function admittance(int $branch): Complex
    {
        return new Complex($this->yRe[$branch], $this->yIm[$branch]);
    }

    /** The Norton current of the source in a branch. */
    public function driven(int $branch): Complex
    {
        return new Complex($this->jRe[$branch], $this->jIm[$branch]);
    }

    /**
     * The same nodes with some branches left out and some added. Names of elements stay with the branches that stay.
     *
     * @param list<int>                      $without
     * @param list<array{int, int, Complex, Complex}> $with  nodes, admittance and the Norton current of a source in it
     * @param list<string>                            $named what each of them is called from now on
     */
    public function changed(array $without, array $with, array $named = []): self
    {
        $gone = array_fill_keys($without, true);
        $from = $to = $yRe = $yIm = $jRe = $jIm = $renumbered = [];
        foreach ($this->from as $branch => $a) {
            if (!isset($gone[$branch])) {
                $renumbered[$branch] = \count($from);
                [$from[], $to[], $yRe[], $yIm[], $jRe[], $jIm[]] = [$a, $this->to[$branch], $this->yRe[$branch], $this->yIm[$branch], $this->jRe[$branch], $this->jIm[$branch]];
            }
        }
        $added = [];
        foreach ($with as $at => [$a, $b, $y, $j]) {
            if ($a !== $b) {
                $added[$named[$at] ?? "added#$at"] = \count($from);
                [$from[], $to[], $yRe[], $yIm[], $jRe[], $jIm[]] = [$a, $b, $y->re, $y->im, $j->re, $j->im];
            }
        }
        $incident = array_fill(0, $this->nodeCount, []);
        foreach ($from as $branch => $a) {
            $incident[$a][] = $branch;
            $incident[$to[$branch]][] = $branch;
        }
        $elements = [];
        foreach ($this->elements as $element => $branch) {
            if (isset($renumbered[$branch])) {
                $elements[$element] = $renumbered[$branch];
            }
        }

        return new self($this->nodeCount, $from, $to, $yRe, $yIm, $jRe, $jIm, $this->nodes, $elements + $added, $incident, $this->thresholds);
    }

    /**
     * The same nodes and branches, with the numbers that some elements have in another network.
     *
     * @return self|null null when one of them is not here
     */
    public function renumbered(self $other): ?self
    {
        [$yRe, $yIm, $jRe, $jIm] = [$this->yRe, $this->yIm, $this->jRe, $this->jIm];
        foreach ($other->elements as $element => $theirs) {
            $own = $this->elements[$element] ?? null;
            if (null === $own) {
                return null;
            }
            [$yRe[$own], $yIm[$own], $jRe[$own], $jIm[$own]] = [$other->yRe[$theirs], $other->yIm[$theirs], $other->jRe[$theirs], $other->jIm[$theirs]];
        }

        return new self($this->nodeCount, $this->from, $this->to, $yRe, $yIm, $jRe, $jIm, $this->nodes, $this->elements, $this->incident, $this->thresholds);
    }

    /** The same network with all its sources at rest and 1 A driven from one node into another through a very thin branch. */
    public function drivenBetween(int $from, int $into): self
    {
        $zeros = array_fill(0, \count($this->from), 0.0);
        $branch = \count($this->from);
        $incident = $this->incident;
        $incident[$from][] = $branch;
        $incident[$into][] = $branch;

        return new self(
            $this->nodeCount,
            [...$this->from, $from],
            [...$this->to, $into],
            [...$this->yRe, 1e-18],
            [...$this->yIm, 0.0],
            [...$zeros, 1.0],
            [...$zeros, 0.0],
            $this->nodes,
            $this->elements,
            $incident,
            $this->thresholds,
        );
    }
}
