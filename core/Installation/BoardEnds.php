<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Where the cores of a circuit leave the board. */
final class BoardEnds
{
    /** @return list<string> circuits by id */
    public static function circuits(House $house): array
    {
        $ids = array_map(static fn (Circuit $circuit): string => $circuit->id, array_values($house->circuits));
        sort($ids);

        return $ids;
    }

    /** @return list<string> the joints of a circuit's cores with this role where they land in a board */
    public static function joints(House $house, string $circuit, string $role): array
    {
        $joints = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach ($cable->circuit === $circuit ? $cable->cores : [] as $core) {
                foreach ($role === $core->role->value ? [1, 2] : [] as $end) {
                    $terminal = $core->ends[$end - 1];
                    if (null !== $terminal && 'board' === $house->places[$house->partOf($terminal)->place]->kind) {
                        $joints[] = $core->joint($end);
                    }
                }
            }
        }

        return $joints;
    }

    /** @return list<string> joints that land on a terminal */
    public static function landedOn(House $house, string $terminal): array
    {
        return array_map(static fn (array $landing): string => $landing[0]->joint($landing[1]), $house->wiring->landedOn($terminal));
    }

    /** The terminal at the other end of the first conductor that lands on a terminal. */
    public static function opposite(House $house, string $terminal): ?string
    {
        foreach ($house->wiring->landedOn($terminal) as [$core, $end]) {
            return $core->ends[2 - $end];
        }

        return null;
    }
}
