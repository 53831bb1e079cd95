<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** The insulation and capacitance between the cores of a cable: half of each pair's at each end of the cable. */
final class Shunts
{
    public static function element(Cable $cable, Core $first, Core $second, int $end): string
    {
        return "$cable->id/$first->key-$second->key@$end";
    }

    /** @return list<array{Core, Core}> the pairs of a cable, in the order of its cores */
    public static function pairs(Cable $cable): array
    {
        $pairs = [];
        $cores = array_values($cable->cores);
        foreach ($cores as $i => $first) {
            foreach (\array_slice($cores, $i + 1) as $second) {
                $pairs[] = [$first, $second];
            }
        }

        return $pairs;
    }

    /**
     * Those of one core at one end, and whether the core is the first of the pair (current counts from first to second).
     *
     * @return list<array{string, bool}>
     */
    public static function of(Cable $cable, Core $core, int $end): array
    {
        $found = [];
        foreach (self::pairs($cable) as [$first, $second]) {
            if ($first->key === $core->key || $second->key === $core->key) {
                $found[] = [self::element($cable, $first, $second, $end), $first->key === $core->key];
            }
        }

        return $found;
    }
}
