<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * A network as a netlist that general circuit simulators read, for a person who wants to check a computation elsewhere.
 *
 * Admittances become a resistor and a capacitor side by side, sources their Norton currents; nodes are numbered, their
 * names stand in comments.
 */
final class Netlist
{
    /**
     * @param float  $hertz  of the network; 0 for direct current
     * @param string $ground name of the node to be node 0
     */
    public static function of(Network $network, float $hertz, string $ground, string $title): string
    {
        $zero = $network->node($ground);
        $number = static fn (int $node): string => $node === $zero ? '0' : 'n'.($node + 1);
        $lines = ['* '.str_replace(["\r", "\n"], ' ', $title)];
        foreach ($network->nodes as $name => $node) {
            $lines[] = "* {$number($node)} is $name";
        }
        $names = array_flip($network->elements);
        foreach ($network->from as $branch => $a) {
            $ends = $number($a).' '.$number($network->to[$branch]);
            $lines[] = '* '.($names[$branch] ?? 'put in by a fault');
            if ($network->yRe[$branch] > 0.0) {
                $lines[] = \sprintf('R%d %s %.16e', $branch + 1, $ends, 1.0 / $network->yRe[$branch]);
            }
            if ($hertz > 0.0 && 0.0 !== $network->yIm[$branch]) {
                $lines[] = \sprintf('C%d %s %.16e', $branch + 1, $ends, $network->yIm[$branch] / (2.0 * \M_PI * $hertz));
            }
            if (0.0 !== $network->jRe[$branch] || 0.0 !== $network->jIm[$branch]) {
                $current = new Complex($network->jRe[$branch], $network->jIm[$branch]);
                $lines[] = \sprintf('I%d %s dc 0 ac %.16e %.16e', $branch + 1, $ends, $current->modulus(), rad2deg(atan2($current->im, $current->re)));
            }
        }
        // Capacitors alone leave a simulator's operating point undefined: it is not needed for the one frequency asked for.
        $lines[] = '.options noopac';
        $lines[] = $hertz > 0.0 ? \sprintf('.ac lin 1 %1$s %1$s', $hertz) : '.op';
        $lines[] = '.end';

        return implode("\n", $lines)."\n";
    }
}
