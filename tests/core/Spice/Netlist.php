<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

/** Elements by name with node names of our own, written as a netlist for a general circuit simulator. */
final class Netlist
{
    /** @var list<array{string, string, string, float, float}> letter, node, node, value, second value */
    private array $elements = [];

    /** @var array<string, int> */
    private array $nodes = ['@ground' => 0];

    public function resistor(string $a, string $b, float $ohms): void
    {
        $this->elements[] = ['R', $a, $b, $ohms, 0.0];
    }

    public function capacitor(string $a, string $b, float $farads): void
    {
        $this->elements[] = ['C', $a, $b, $farads, 0.0];
    }

    public function inductor(string $a, string $b, float $henries): void
    {
        $this->elements[] = ['L', $a, $b, $henries, 0.0];
    }

    /** A source of DC volts, positive at $b: what a tester applies, or what something that conducts by voltage holds back. */
    public function battery(string $a, string $b, float $volts): void
    {
        $this->elements[] = ['V', $b, $a, $volts, 0.0];
    }

    /** A source of AC volts, positive at $b, and of 0 V DC. */
    public function source(string $a, string $b, float $volts): void
    {
        $this->elements[] = ['V', $b, $a, 0.0, $volts];
    }

    /**
     * A probe of no resistance: its current is counted from $a to $b.
     *
     * @return string what to print
     */
    public function ammeter(string $a, string $b): string
    {
        $this->elements[] = ['V', $a, $b, 0.0, 0.0];

        return 'v'.\count($this->elements).'#branch';
    }

    /** Amperes, DC and AC, driven through the network from $b to $a by a tester, out of its lead $a. */
    public function drive(string $a, string $b, float $amperes): void
    {
        $this->elements[] = ['I', $b, $a, $amperes, $amperes];
    }

    /** All sources of volts at rest; ammeters stay. */
    public function quiet(): void
    {
        foreach ($this->elements as $at => $element) {
            if ('V' === $element[0]) {
                $this->elements[$at][4] = 0.0;
            }
        }
    }

    public function volts(string $node): string
    {
        return 'v('.$this->number($node).')';
    }

    /**
     * @param list<string> $print   vectors
     * @param float        $tieOhms from one node of each island to the ground
     */
    public function text(float $hertz, array $print, float $tieOhms = 1e12): string
    {
        $lines = ['* a house'];
        foreach ($this->elements as $at => [$letter, $a, $b, $value, $second]) {
            $name = $letter.($at + 1);
            $a = $this->number($a);
            $b = $this->number($b);
            $lines[] = match ($letter) {
                'V', 'I' => \sprintf('%s %s %s dc %.16e ac %.16e', $name, $a, $b, $value, $second),
                default => \sprintf('%s %s %s %.16e', $name, $a, $b, $value),
            };
        }
        foreach ($this->floating() as $at => $node) {
            $lines[] = \sprintf('Rtie%d %s 0 %.1e', $at, $this->number($node), $tieOhms);
        }
        $analysis = $hertz > 0.0 ? \sprintf('ac lin 1 %1$.1f %1$.1f', $hertz) : 'op';

        return implode("\n", [...$lines, '.options noopac', '.control', 'set numdgt=15', $analysis, ...array_map(static fn (string $vector): string => "print $vector", $print), '.endc', '.end', '']);
    }

    private function number(string $node): string
    {
        $this->nodes[$node] ??= \count($this->nodes);

        return 0 === $this->nodes[$node] ? '0' : 'n'.$this->nodes[$node];
    }

    /** @return list<string> one node of each island that nothing joins to the ground */
    private function floating(): array
    {
        $parent = ['@ground' => '@ground'];
        $find = static function (string $node) use (&$parent): string {
            $parent[$node] ??= $node;
            while ($parent[$node] !== $node) {
                $node = $parent[$node];
            }

            return $node;
        };
        foreach ($this->elements as [$letter, $a, $b]) {
            if ('I' !== $letter) {
                $parent[$find($a)] = $find($b);
            } else {
                $find($a);
                $find($b);
            }
        }
        // A lead can touch what nothing else touches.
        foreach (array_keys($this->nodes) as $node) {
            $find($node);
        }
        $ground = $find('@ground');
        $islands = [];
        foreach (array_keys($parent) as $node) {
            $root = $find($node);
            if ($root !== $ground) {
                $islands[$root] ??= $node;
            }
        }

        return array_values($islands);
    }
}
