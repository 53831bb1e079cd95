<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Names a person uses for the things of a house; ids never appear on a page or a record. */
final class Labels
{
    /** Terminals of the devices of a board. */
    private const BOARD = ['in' => 'line in', 'out' => 'line out', 'Lin' => 'line in', 'Lout' => 'line out', 'Nin' => 'neutral in', 'Nout' => 'neutral out'];

    private const ROLES = ['L' => 'line', 'N' => 'neutral', 'E' => 'earth', 'SL' => 'switched line', 'L1' => 'leg 1', 'L2' => 'leg 2'];

    /** "Hall socket · L", or "Hall socket · N behind the plate" for a terminal that needs the cover off. */
    public static function terminal(House $house, string $id): string
    {
        $terminal = $house->terminals[$id] ?? null;
        if (null === $terminal) {
            return $id;
        }
        $part = $house->parts[$terminal->part];
        $key = match (true) {
            isset(self::BOARD[$terminal->key]) => self::BOARD[$terminal->key],
            'bar' === $part->kind => 'terminal '.substr($terminal->key, 1),
            str_starts_with($terminal->key, 'front-') => substr($terminal->key, 6),
            'socket' === $part->kind => $terminal->key.' behind the plate',
            default => $terminal->key,
        };

        return "$part->name · $key";
    }

    /** A terminal or an end of a core, whichever this is. */
    public static function end(House $house, string $id): string
    {
        return match (true) {
            HouseNetwork::GROUND === $id => 'a ground spike',
            null !== $house->joint($id) => self::joint($house, $id),
            default => self::terminal($house, $id),
        };
    }

    /** "neutral of Way 4 at the neutral bar". */
    public static function joint(House $house, string $joint): string
    {
        $found = $house->joint($joint);
        if (null === $found) {
            return $joint;
        }
        [$core, $end] = $found;
        $cable = $house->cables[$core->cable];
        $circuit = null === $cable->circuit ? 'the tails' : $house->circuits[$cable->circuit]->name;
        $at = $core->ends[$end - 1];

        return \sprintf('the %s of %s at %s', self::ROLES[$core->role->value], $circuit, null === $at ? 'its loose end' : $house->partOf($at)->name);
    }

    public static function role(Role $role): string
    {
        return self::ROLES[$role->value];
    }
}
