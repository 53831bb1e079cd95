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
        return Known::once($house, "label of $joint", static fn (): string => self::jointOf($house, $joint));
    }

    private static function jointOf(House $house, string $joint): string
    {
        $found = $house->joint($joint);
        if (null === $found) {
            return $joint;
        }
        [$core, $end] = $found;
        $cable = $house->cables[$core->cable];
        $circuit = null === $cable->circuit ? 'the tails' : $house->circuits[$cable->circuit]->name;
        $at = $core->ends[$end - 1];

        return \sprintf('the %s of %s%s at %s', self::ROLES[$core->role->value], $circuit, null !== $at && null !== $cable->circuit && self::isOneOfTwo($house, $core, $at) ? ' to '.self::beyond($house, $core, $end) : '', null === $at ? 'its loose end' : $house->partOf($at)->name);
    }

    /** Where a core leads from one of its ends. */
    public static function beyond(House $house, Core $core, int $end): string
    {
        $far = $core->ends[2 - $end];
        $part = null === $far ? null : $house->partOf($far);

        return match (true) {
            null === $part => 'its loose end',
            'board' === $house->places[$part->place]->kind => 'the board',
            default => $part->name,
        };
    }

    /** Whether another core of its kind lands on the same part, as both ends of a ring do. */
    public static function isOneOfTwo(House $house, Core $core, string $at): bool
    {
        return 1 < self::landings($house)[self::landing($house, $core, $at)];
    }

    /** @return array<string, int> how many cores of one kind and circuit land on each part */
    private static function landings(House $house): array
    {
        return Known::once($house, 'landings', static function () use ($house): array {
            $landings = [];
            foreach ($house->cables as $cable) {
                foreach ($cable->cores as $core) {
                    $own = array_map(static fn (?string $at): string => null === $at ? '' : self::landing($house, $core, $at), $core->ends);
                    foreach (array_unique($own) as $landing) {
                        $landings[$landing] = ($landings[$landing] ?? 0) + 1;
                    }
                }
            }

            return $landings;
        });
    }

    private static function landing(House $house, Core $core, string $at): string
    {
        return "{$house->cables[$core->cable]->circuit} {$core->role->value} {$house->terminals[$at]->part}";
    }

    /** An element of the network: a conductor of a cable, what is inside a part, or what a fault adds. */
    public static function element(House $house, string $element): string
    {
        [$owner, $key] = explode('/', $element, 2) + [1 => ''];
        if (isset($house->cables[$owner])) {
            return self::conductor($house, $house->cables[$owner], $key);
        }
        if (isset($house->parts[$owner])) {
            return self::inside($house->parts[$owner], $key);
        }

        return match (true) {
            str_starts_with($element, 'fault') => 'the fault itself',
            str_starts_with($element, 'link#') => 'the test link',
            str_starts_with($element, 'heater@') => 'the test heater',
            default => $element,
        };
    }

    private static function conductor(House $house, Cable $cable, string $key): string
    {
        $core = $cable->cores[$key] ?? null;
        if (null === $core) {
            return \sprintf('insulation %s of a cable of %s', explode('@', $key)[0], null === $cable->circuit ? 'the board' : $house->circuits[$cable->circuit]->name);
        }
        $names = array_map(static fn (?string $terminal): string => null === $terminal ? 'its loose end' : $house->partOf($terminal)->name, $core->ends);

        return self::ROLES[$core->role->value]." from $names[0] to $names[1]";
    }

    private static function inside(Part $part, string $key): string
    {
        return match (true) {
            'bar' === $part->kind => "bar $part->name",
            'service' === $part->kind => ['line' => 'line of the supply', 'line-2' => 'second leg of the supply', 'neutral' => 'neutral of the supply', 'link' => 'link of neutral and earth at the supply', 'star-electrode' => 'electrode of the transformer', 'protective' => 'protective conductor of the supply', 'electrode' => 'electrode of the house', 'bonding' => 'bonding into the ground'][$key] ?? $key,
            'load' === $key, 'load-N' === $key => 'light' === $part->kind ? "lamp of $part->name" : $part->name,
            str_starts_with($key, 'filter') => "filter of $part->name",
            'ground' === $key => "ground at $part->name",
            'link' === $key => "link of neutral and earth of $part->name",
            default => self::pole($key)."contact of $part->name",
        };
    }

    /** "line ", from a contact called "front-L" or "L". */
    private static function pole(string $key): string
    {
        $parts = explode('-', $key);
        $role = Role::tryFrom($parts[\count($parts) - 1]);

        return null === $role ? '' : self::ROLES[$role->value].' ';
    }

    public static function role(Role $role): string
    {
        return self::ROLES[$role->value];
    }
}
