<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/**
 * Minimum-degree order of the nodes of a network.
 *
 * The nodes named "last" come after all others, so that a tester's terminals or a bar stay to the end.
 * Deterministic: of several nodes with the least degree the one queued first is taken.
 */
final class EliminationOrder
{
    /**
     * @param list<int> $last
     *
     * @return list<int> every node but the datum, in the order to eliminate them
     */
    public static function of(Network $network, int $datum, array $last = []): array
    {
        $neighbours = array_fill(0, $network->nodeCount, []);
        foreach ($network->from as $branch => $a) {
            $b = $network->to[$branch];
            if ($a !== $datum && $b !== $datum) {
                $neighbours[$a][$b] = true;
                $neighbours[$b][$a] = true;
            }
        }
        $held = array_fill_keys($last, true);
        $buckets = [];
        $degree = [];
        foreach ($neighbours as $node => $around) {
            $degree[$node] = \count($around);
            if ($node !== $datum && !isset($held[$node])) {
                $buckets[$degree[$node]][$node] = true;
            }
        }
        $order = [];
        $left = $network->nodeCount - 1 - \count(array_diff_key($held, [$datum => true]));
        $least = 0;
        while ($left > 0) {
            while (empty($buckets[$least])) {
                ++$least;
            }
            $node = array_key_first($buckets[$least]);
            unset($buckets[$least][$node]);
            $order[] = $node;
            --$left;
            $around = $neighbours[$node];
            foreach ($around as $i => $_) {
                unset($neighbours[$i][$node]);
                $neighbours[$i] += $around;
                unset($neighbours[$i][$i]);
                $new = \count($neighbours[$i]);
                if (!isset($held[$i]) && $new !== $degree[$i]) {
                    unset($buckets[$degree[$i]][$i]);
                    $buckets[$new][$i] = true;
                    $least = min($least, $new);
                }
                $degree[$i] = $new;
            }
        }
        foreach ($held as $node => $_) {
            if ($node !== $datum) {
                $order[] = $node;
            }
        }

        return $order;
    }
}
