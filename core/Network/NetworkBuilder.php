<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * Collects nodes, elements, sources and ideal links, and settles the topology before the numbers.
 *
 * Ideal links merge nodes with a union-find, so no "very large" conductance ever enters the arithmetic.
 */
final class NetworkBuilder
{
    /** @var array<string, int> */
    private array $names = [];

    /** @var array<int, int> union-find parent of each raw node */
    private array $parents = [];

    /** @var list<array{int, int, float, float, float, float, string}> from, to, y, j, element name */
    private array $branches = [];

    /** @var array<string, true> */
    private array $taken = [];

    /** @var list<array{int, int, float, float}> nodes, volts from which it conducts, and siemens then */
    private array $thresholds = [];

    /** The raw number of the node with this name, made when it is first named. */
    public function node(string $name): int
    {
        if (!isset($this->names[$name])) {
            $this->names[$name] = \count($this->parents);
            $this->parents[] = \count($this->parents);
        }

        return $this->names[$name];
    }

    /** Joins two nodes without any resistance. */
    public function link(string $a, string $b): self
    {
        $a = $this->root($this->node($a));
        $b = $this->root($this->node($b));
        $this->parents[max($a, $b)] = min($a, $b);

        return $this;
    }

    /** @param float $ohms greater than zero; for zero use {@see link()} */
    public function resistor(string $element, string $a, string $b, float $ohms): self
    {
        if (!($ohms > 0.0) || is_infinite($ohms)) {
            throw new \InvalidArgumentException(\sprintf('Element "%s" needs a resistance above 0 Ω, not %s: use an ideal link for none and leave it out when it is open.', $element, $ohms));
        }

        return $this->admittance($element, $a, $b, 1.0 / $ohms, 0.0);
    }

    /**
     * @param float $siemensRe conductance
     * @param float $siemensIm susceptance
     */
    public function admittance(string $element, string $a, string $b, float $siemensRe, float $siemensIm): self
    {
        return $this->add($element, $a, $b, $siemensRe, $siemensIm, 0.0, 0.0);
    }

    /** A source of $volts (positive end at $b) behind $ohms, between $a and $b. */
    public function source(string $element, string $a, string $b, Complex $volts, float $ohms): self
    {
        if (!($ohms > 0.0)) {
            throw new \InvalidArgumentException(\sprintf('Source "%s" needs an inner resistance above 0 Ω.', $element));
        }
        $y = 1.0 / $ohms;

        return $this->add($element, $a, $b, $y, 0.0, $volts->re * $y, $volts->im * $y);
    }

    /** Something that conducts only above some volts across it, with $ohms beyond them: an arrester, a rectifier, a neon lamp. */
    public function threshold(string $a, string $b, float $volts, float $ohms): self
    {
        $this->thresholds[] = [$this->node($a), $this->node($b), $volts, 1.0 / $ohms];

        return $this;
    }

    public function build(): Network
    {
        $numbers = [];
        $nodes = [];
        foreach ($this->names as $name => $raw) {
            $root = $this->root($raw);
            $numbers[$root] ??= \count($numbers);
            $nodes[$name] = $numbers[$root];
        }
        $from = $to = $yRe = $yIm = $jRe = $jIm = $elements = [];
        $incident = array_fill(0, \count($numbers), []);
        foreach ($this->branches as [$a, $b, $re, $im, $sourceRe, $sourceIm, $element]) {
            $a = $numbers[$this->root($a)];
            $b = $numbers[$this->root($b)];
            if ($a === $b) {
                continue; // shorted by an ideal link: it carries nothing and has no voltage
            }
            $branch = \count($from);
            $from[] = $a;
            $to[] = $b;
            $yRe[] = $re;
            $yIm[] = $im;
            $jRe[] = $sourceRe;
            $jIm[] = $sourceIm;
            $elements[$element] = $branch;
            $incident[$a][] = $branch;
            $incident[$b][] = $branch;
        }

        $thresholds = [];
        foreach ($this->thresholds as [$a, $b, $volts, $siemens]) {
            $thresholds[] = [$numbers[$this->root($a)], $numbers[$this->root($b)], $volts, $siemens];
        }

        return new Network(\count($numbers), $from, $to, $yRe, $yIm, $jRe, $jIm, $nodes, $elements, $incident, $thresholds);
    }

    private function add(string $element, string $a, string $b, float $yRe, float $yIm, float $jRe, float $jIm): self
    {
        if (isset($this->taken[$element])) {
            throw new \LogicException(\sprintf('Two elements are named "%s".', $element));
        }
        if (0.0 === $yRe && 0.0 === $yIm) {
            return $this;
        }
        if (!is_finite($yRe) || !is_finite($yIm) || $yRe < 0.0) {
            throw new \InvalidArgumentException(\sprintf('Element "%s" is not passive: its admittance is %s + j %s S.', $element, $yRe, $yIm));
        }
        $this->taken[$element] = true;
        $this->branches[] = [$this->node($a), $this->node($b), $yRe, $yIm, $jRe, $jIm, $element];

        return $this;
    }

    private function root(int $node): int
    {
        while ($this->parents[$node] !== $node) {
            $node = $this->parents[$node] = $this->parents[$this->parents[$node]];
        }

        return $node;
    }
}
