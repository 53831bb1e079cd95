<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** The earthing conductor and the bonding conductors of a house: cores of no circuit that land on what they earth. */
final class EarthWires
{
    /**
     * @return list<array{Core, string, string}> the core, its joint at the earth bar, and the terminal at its other end on a
     *                                           part of one of the kinds
     */
    public static function to(House $house, string ...$kinds): array
    {
        $found = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach (null === $cable->circuit ? $cable->cores : [] as $core) {
                foreach (Role::Earth === $core->role ? [1, 2] : [] as $end) {
                    $terminal = $core->ends[$end - 1];
                    if (null !== $terminal && null !== $core->ends[2 - $end] && \in_array($house->partOf($terminal)->kind, $kinds, true)) {
                        $found[] = [$core, $core->joint(1 === $end ? 2 : 1), $terminal];
                    }
                }
            }
        }

        return $found;
    }

    /** A terminal of the bar that all earths meet on. */
    public static function main(House $house): ?string
    {
        foreach (self::to($house, 'service', 'electrode') as [$core, $joint]) {
            return $core->ends[$joint === $core->joint(1) ? 0 : 1];
        }

        return null;
    }
}
