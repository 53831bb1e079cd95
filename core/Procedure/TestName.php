<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Device\ResidualLaw;
use YellowProbe\Installation\Access as TerminalAccess;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Role;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\LampWatch;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Words\Message;

/**
 * The one true name of a test: its tester and setting, where it is put, and what of the state makes it this test and no other.
 *
 * Journal, record, page, runs and the reasons of a ranking all say this; two measurements that differ have two names.
 */
final class TestName
{
    /** @var \WeakMap<House, \ArrayObject<string, Message>>|null names of a house that were made already: a record says each several times; objects, so that one more does not copy thousands */
    private static ?\WeakMap $made = null;

    public static function of(House $house, Measurement $measurement): Message
    {
        /** @var \WeakMap<House, \ArrayObject<string, Message>> $made */
        $made = self::$made ??= new \WeakMap();
        $known = $made[$house] ??= new \ArrayObject();
        $hash = $measurement->hash();

        return $known[$hash] ??= self::make($house, $measurement);
    }

    private static function make(House $house, Measurement $measurement): Message
    {
        $connection = $measurement->connection;
        $where = [];
        if ($measurement->instrument instanceof DeviceWatch || $measurement->instrument instanceof LampWatch) {
            $part = [] === $connection->terminals ? $connection->device() : $house->partOf($connection->terminals[0])->id;
            $where[] = new Message('around.device', ['part' => $house->parts[$part]->name ?? '']);
        } elseif ([] !== $connection->terminals) {
            $where[] = self::leads($house, $connection->terminals);
        }
        if ([] !== $connection->around && !$measurement->instrument instanceof DeviceWatch) {
            $where[] = self::around($house, $connection->around, [] !== $connection->terminals);
        }

        $with = ['setting' => self::setting($measurement->instrument, $house->parts[$connection->device()] ?? null), 'where' => $where];
        $state = NamedState::of($house, $measurement);

        return [] === $state ? new Message('test.name', $with) : new Message('test.name.state', $with + ['state' => $state]);
    }

    /** A tester and its setting; of a residual tester with the rating of the device that it is set to. */
    public static function setting(Instrument $instrument, ?Part $device = null): Message
    {
        $rated = $instrument instanceof ResidualTester && null !== $device && Protection::isResidual($device) ? \sprintf(' %g mA', round(1000.0 * ResidualLaw::of($device)->ratedAmperes, 1)) : '';

        return new Message("setting.{$instrument->slug()}", ['rated' => $rated]);
    }

    /** One end of a lead, said by itself. */
    public static function end(House $house, string $terminal): Message
    {
        return self::leads($house, [$terminal]);
    }

    /** @param list<string> $terminals */
    private static function leads(House $house, array $terminals): Message
    {
        $parts = array_unique(array_map(static fn (string $terminal): string => $house->hasTerminal($terminal) && 'bar' !== $house->partOf($terminal)->kind ? $house->partOf($terminal)->id : "$terminal?", $terminals));
        if (1 === \count($parts) && isset($house->parts[$parts[0]]) && \count($terminals) > 1) {
            $access = array_unique(array_map(static fn (string $terminal): string => self::side($house, $terminal), $terminals));
            $outlets = array_unique(array_map(static fn (string $terminal): string => self::outlet($house, $terminal), $terminals));
            $same = 1 === \count($access) && 1 === \count($outlets);
            $at = $house->parts[$parts[0]]->name;

            return match (true) {
                $same && '' !== $outlets[0] => new Message('leads.outlet', ['poles' => self::poles($house, $terminals), 'part' => $at, 'outlet' => new Message("outlet.$outlets[0]")]),
                $same && 'behind' === $access[0] => new Message('leads.behind', ['poles' => self::poles($house, $terminals), 'part' => $at]),
                $same => new Message('leads.at', ['poles' => self::poles($house, $terminals), 'part' => $at]),
                default => new Message('leads.mixed', ['ends' => array_map(static fn (string $terminal): Message => self::terminal($house, $terminal), $terminals), 'part' => $at]),
            };
        }

        return new Message('leads.between', ['ends' => array_map(static fn (string $terminal): Message => self::whole($house, $terminal), $terminals)]);
    }

    /**
     * @param list<string> $terminals
     *
     * @return list<Message>
     */
    private static function poles(House $house, array $terminals): array
    {
        return array_map(static fn (string $terminal): Message => self::pole($house, $terminal), $terminals);
    }

    /** An end with the part it is on. */
    private static function whole(House $house, string $terminal): Message
    {
        if (HouseNetwork::GROUND === $terminal) {
            return new Message('end.spike');
        }
        $joint = $house->joint($terminal);
        if (null !== $joint) {
            return new Message('end.conductor', ['conductor' => self::conductor($house, $joint[0], $joint[1])]);
        }
        $part = $house->partOf($terminal);
        if ('bar' === $part->kind) {
            return new Message('end.bar', ['part' => $part->name, 'number' => substr($house->terminals[$terminal]->key, 1)]);
        }

        return new Message('end.terminal', ['terminal' => self::terminal($house, $terminal), 'part' => $part->name]);
    }

    /** A terminal of a part that is known already: its pole, the outlet, and whether it is behind the plate. */
    private static function terminal(House $house, string $terminal): Message
    {
        $outlet = self::outlet($house, $terminal);
        $pole = self::pole($house, $terminal);

        return match (true) {
            '' !== $outlet => new Message('terminal.outlet', ['pole' => $pole, 'outlet' => new Message("outlet.$outlet")]),
            'behind' === self::side($house, $terminal) => new Message('terminal.behind', ['pole' => $pole]),
            default => $pole,
        };
    }

    private static function pole(House $house, string $id): Message
    {
        $terminal = $house->terminals[$id];
        [$lead, $pole] = str_contains($terminal->key, '-') ? explode('-', $terminal->key, 2) : ['', $terminal->key];

        return match (true) {
            null !== Role::tryFrom($pole) && '' === self::outlet($house, $id) && \in_array($lead, ['lamp', 'line', 'load', 'upper', 'lower'], true) => new Message('pole.lead', ['lead' => new Message("lead.$lead"), 'pole' => new Message("role.$pole")]),
            // L1 and L2 of a two-way switch are strappers and no legs.
            'E' !== $pole && \in_array($house->parts[$terminal->part]->kind, ['switch', 'intermediate-switch'], true) => new Message('pole.marked', ['mark' => $terminal->key, 'role' => new Message("role.{$terminal->role->value}")]),
            null !== Role::tryFrom($pole) => new Message("role.$pole"),
            \in_array($terminal->key, ['in', 'out', 'Lin', 'Lout', 'Nin', 'Nout', 'in1', 'in2', 'out1', 'out2', 'mainL', 'mainN', 'otherL', 'otherN', 'outL', 'outN'], true) => new Message("pole.$terminal->key"),
            default => new Message('pole.marked', ['mark' => $terminal->key, 'role' => new Message("role.{$terminal->role->value}")]),
        };
    }

    /** "left" of a twin accessory; empty for one outlet, or none. */
    private static function outlet(House $house, string $id): string
    {
        $terminal = $house->terminals[$id] ?? null;
        $lead = null === $terminal ? '' : explode('-', $terminal->key)[0];

        return null !== $terminal && 'front' !== $lead && \in_array($lead, Outlets::of($house->parts[$terminal->part]), true) ? $lead : '';
    }

    private static function side(House $house, string $id): string
    {
        $terminal = $house->terminals[$id] ?? null;
        $isBoard = null !== $terminal && 'board' === $house->places[$house->parts[$terminal->part]->place]->kind;

        return null !== $terminal && !$isBoard && TerminalAccess::Front !== $terminal->access ? 'behind' : 'front';
    }

    /** "the neutral of Lights, upper floor at Neutral bar A", its leg where there are two. */
    public static function conductor(House $house, Core $core, int $end): Message
    {
        $circuit = $house->cables[$core->cable]->circuit;
        $at = $core->ends[$end - 1];
        $place = null === $at ? '' : $house->partOf($at)->name;

        return null === $circuit
            ? new Message('conductor.own', ['role' => new Message("role.{$core->role->value}"), 'from' => self::partAt($house, $core, 1), 'to' => self::partAt($house, $core, 2), 'at' => $place])
            : new Message(null !== $at && Labels::isOneOfTwo($house, $core, $at) ? 'conductor.leg' : 'conductor.circuit', ['role' => new Message("role.{$core->role->value}"), 'circuit' => $house->circuits[$circuit]->name, 'beyond' => Labels::beyond($house, $core, $end), 'at' => $place]);
    }

    private static function partAt(House $house, Core $core, int $end): string
    {
        $terminal = $core->ends[$end - 1];

        return null === $terminal ? '' : $house->partOf($terminal)->name;
    }

    /**
     * @param list<string> $around
     * @param bool         $acts   whether these are the poles of a device that the tester makes act
     */
    private static function around(House $house, array $around, bool $acts): Message
    {
        $roles = $poles = $circuits = $own = [];
        foreach ($around as $signed) {
            [$owner, $key] = explode('/', substr($signed, 1), 2) + [1 => ''];
            $core = $house->cables[$owner]->cores[$key] ?? null;
            if (isset($house->parts[$owner])) {
                $poles[$owner][$key] = true;
            } elseif (null !== $core) {
                $circuit = $house->cables[$owner]->circuit;
                if (null === $circuit) {
                    $own[] = new Message('around.own', ['role' => new Message("role.{$core->role->value}"), 'from' => self::partAt($house, $core, 1), 'to' => self::partAt($house, $core, 2)]);
                } else {
                    $roles[$circuit][$core->role->value][] = $core;
                    $circuits[$circuit] = true;
                }
            }
        }
        $found = [];
        foreach ($poles as $part => $keys) {
            $found[] = self::poleNames($house, (string) $part, array_map(strval(...), array_keys($keys)), $acts);
        }
        foreach ($roles as $circuit => $byRole) {
            $found[] = self::cores($house, (string) $circuit, $byRole);
        }
        array_push($found, ...$own);

        return 1 === \count($found) ? $found[0] : new Message('around.all', ['each' => $found]);
    }

    /** @param list<string> $keys */
    private static function poleNames(House $house, string $part, array $keys, bool $acts): Message
    {
        $name = $house->parts[$part]->name;
        if ($acts) {
            return new Message('around.acting', ['part' => $name]);
        }
        $outlet = explode('-', $keys[0])[0];
        if ('L' !== $keys[0] && \in_array($outlet, Outlets::of($house->parts[$part]), true)) {
            return 'front' === $outlet ? new Message('around.contacts', ['part' => $name]) : new Message('around.outlet', ['part' => $name, 'outlet' => new Message("outlet.$outlet")]);
        }

        return new Message('around.poles', ['poles' => array_map(static fn (string $key): Message => new Message('role.'.(Role::tryFrom($key)->value ?? 'L')), $keys), 'part' => $name]);
    }

    /**
     * Cores of one circuit: by role when all of them that leave the board are in, by leg when it is one of several.
     *
     * @param array<string, list<Core>> $byRole
     */
    private static function cores(House $house, string $circuit, array $byRole): Message
    {
        $roles = array_map(static fn (int|string $role): Message => new Message("role.$role"), array_keys($byRole));
        $name = $house->circuits[$circuit]->name;
        $legs = [];
        foreach ($byRole as $role => $cores) {
            $leaving = BoardEnds::joints($house, $circuit, (string) $role);
            $elements = array_unique(array_map(static fn (string $joint): string => explode('@', $joint)[0], $leaving));
            $in = array_unique(array_map(static fn (Core $core): string => $core->element(), $cores));
            if ([] !== array_diff($elements, $in) || [] !== array_diff($in, $elements)) {
                foreach ($cores as $core) {
                    $from = self::partAt($house, $core, 1);
                    $to = self::partAt($house, $core, 2);
                    $legs["$from $to"] = new Message('around.run', ['from' => $from, 'to' => $to]);
                }
            }
        }

        return [] === $legs
            ? new Message('around.circuit', ['roles' => $roles, 'circuit' => $name])
            : new Message('around.leg', ['roles' => $roles, 'circuit' => $name, 'runs' => array_values($legs)]);
    }
}
