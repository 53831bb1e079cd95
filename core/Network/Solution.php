<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/** The voltages of a solved network, to its datum, and the currents that follow from them. */
final readonly class Solution
{
    /** Largest relative current that may be missing at a node. */
    public const RESIDUAL_BOUND = 1e-9;

    /** What rounding leaves of the largest volts of a network at any node, over the bound: some ten units in the last place. */
    private const ROUNDING = 2e-6;

    /**
     * @param array<int, float> $re
     * @param array<int, float> $im
     * @param array<int, bool>  $floating
     * @param float       $residual largest relative Kirchhoff residual over all nodes
     */
    private function __construct(private Network $network, private array $re, private array $im, private array $floating, public float $residual)
    {
    }

    /**
     * @internal
     *
     * @param array<int, float> $re
     * @param array<int, float> $im
     * @param array<int, bool>  $floating
     */
    public static function checked(Network $network, int $datum, array $re, array $im, array $floating): self
    {
        $worst = 0.0;
        $most = max([0.0, ...array_map(static fn (float $re, float $im): float => abs($re) + abs($im), $re, $im)]);
        foreach ($network->incident as $node => $branches) {
            if ($node === $datum) {
                continue;
            }
            $sumRe = $sumIm = $scale = 0.0;
            foreach ($branches as $branch) {
                $other = $network->from[$branch] === $node ? $network->to[$branch] : $network->from[$branch];
                $sign = $network->from[$branch] === $node ? 1.0 : -1.0;
                $dRe = $re[$node] - $re[$other];
                $dIm = $im[$node] - $im[$other];
                $sumRe += $network->yRe[$branch] * $dRe - $network->yIm[$branch] * $dIm + $sign * $network->jRe[$branch];
                $sumIm += $network->yRe[$branch] * $dIm + $network->yIm[$branch] * $dRe + $sign * $network->jIm[$branch];
                // What rounding alone can leave is in proportion to the voltages, not to their small difference.
                $scale += (abs($network->yRe[$branch]) + abs($network->yIm[$branch])) * (abs($re[$node]) + abs($im[$node]) + abs($re[$other]) + abs($im[$other]))
                    + abs($network->jRe[$branch]) + abs($network->jIm[$branch]);
            }
            // Nor to those of a node that hardly has any: a balanced neutral stands at the rounding of the volts around it.
            $scale = max($scale, self::ROUNDING * $most * array_sum(array_map(static fn (int $branch): float => abs($network->yRe[$branch]) + abs($network->yIm[$branch]), $branches)));
            if ($scale > 0.0) {
                $worst = max($worst, (abs($sumRe) + abs($sumIm)) / $scale);
            }
        }
        if (!($worst <= self::RESIDUAL_BOUND)) {
            throw new NumericalError(\sprintf('The currents at a node do not add up: relative residual %.1e, at most %.0e is allowed.', $worst, self::RESIDUAL_BOUND));
        }

        return new self($network, $re, $im, $floating, $worst);
    }

    /** Volts to the datum, or null on an island of its own, where no voltage is defined. */
    public function volts(string $node): ?Complex
    {
        $at = $this->network->node($node);

        return $this->floating[$at] ? null : new Complex($this->re[$at], $this->im[$at]);
    }

    /** Amperes through an element from its first end to its second; null when it is absent in this state. */
    public function amperes(string $element): ?Complex
    {
        $branch = $this->network->branch($element);
        if (null === $branch) {
            return null;
        }
        $a = $this->network->from[$branch];
        $b = $this->network->to[$branch];

        return $this->network->admittance($branch)
            ->times(new Complex($this->re[$a] - $this->re[$b], $this->im[$a] - $this->im[$b]))
            ->plus(new Complex($this->network->jRe[$branch], $this->network->jIm[$branch]));
    }
}
