<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/** Parts of a network that nothing ties to the datum, and changes in them. */
final class Islands
{
    /**
     * The changes that can be noticed from the datum: what is tied to it at one place only carries nothing, whatever is in it.
     *
     * @template T of array{int, int, ...}
     *
     * @param list<T>             $changes two nodes each, and what changes between them
     * @param \Closure(int): bool $reaches whether a node has a way to the datum
     *
     * @return list<T>|null null when an island may be tied at two places: then currents go through it
     */
    public static function withinReach(array $changes, \Closure $reaches): ?array
    {
        $within = [];
        $ties = 0;
        foreach ($changes as $change) {
            $ends = (int) $reaches($change[0]) + (int) $reaches($change[1]);
            if (2 === $ends) {
                $within[] = $change;
            }
            $ties += 1 === $ends ? 1 : 0;
        }

        return $ties > 1 ? null : $within;
    }
}
