<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

/** The states that tests ask for, made from the house's resting state. */
final class States
{
    /**
     * The changes that light one light.
     *
     * @return list<StateChange>
     */
    public static function lightOn(Part $light): array
    {
        $changes = [];
        foreach ($light->attributes->object('switchedBy')->raw as $switch => $position) {
            $changes[] = new StateChange('set', (string) $switch, \is_string($position) ? $position : 'on');
        }

        return $changes;
    }

    /** The whole board off: parting neutrals and working on unidentified wiring. */
    public static function boardOff(House $house, StateChange ...$more): State
    {
        $changes = array_map(static fn (Part $main): StateChange => new StateChange('set', $main->id, 'off'), self::mains($house));

        return State::resting($house)->after(...$changes, ...$more);
    }

    /**
     * What parts a house from its supply: the devices that the tails land on.
     *
     * @return list<Part>
     */
    public static function mains(House $house): array
    {
        $mains = [];
        foreach ($house->partsOfKind('service') as $service) {
            foreach (['L', 'L1', 'L2'] as $key) {
                $other = $house->hasTerminal($service->terminal($key)) ? BoardEnds::opposite($house, $service->terminal($key)) : null;
                if (null !== $other && 'bar' !== $house->partOf($other)->kind) {
                    $mains[$house->partOf($other)->id] = $house->partOf($other);
                }
            }
        }

        return array_values($mains);
    }

    /** The first of the positions that light a light, taken back. */
    public static function lightOff(Part $light): StateChange
    {
        foreach ($light->attributes->object('switchedBy')->raw as $switch => $position) {
            return new StateChange('set', (string) $switch, ['1' => '2', '2' => '1'][\is_string($position) ? $position : 'on'] ?? 'off');
        }

        throw new \LogicException("$light->id has no switch.");
    }

    /** A heater of 2 kW plugged into an outlet. */
    public static function heaterIn(Part $part, string $outlet): StateChange
    {
        return new StateChange('load', $part->terminal($outlet), State::HEATER);
    }

    /** A heater of 2 kW in the first outlet of the house. */
    public static function testLoad(House $house): ?StateChange
    {
        $outlet = Outlets::all($house)[0] ?? null;

        return null === $outlet ? null : self::heaterIn(...$outlet);
    }

    /**
     * A heater in one outlet of each other circuit that shares a residual device or a board with this one.
     *
     * @return list<StateChange>
     */
    public static function neighboursLoaded(House $house, string $circuit): array
    {
        $loads = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $other = $house->circuitOfPart($part->id);
            if (null !== $other && $other !== $circuit) {
                $loads[$other] ??= self::heaterIn($part, $outlet);
            }
        }

        return array_values($loads);
    }

    /**
     * Everything that draws or leaks behind a residual device taken off, lamps out.
     *
     * @return list<StateChange>
     */
    public static function loadsBehind(House $house, Part $device): array
    {
        $behind = array_filter(self::circuits($house), static fn (string $circuit): bool => \in_array($device->id, array_map(static fn (Part $each): string => $each->id, Protection::residualDevices($house, $circuit)), true));

        return self::loadsOut($house, ...$behind);
    }

    /** @return array<string, string> role => joint of a cable's cores where they land on a part, the first of each role */
    public static function jointsAt(House $house, string $cable, string $part): array
    {
        $joints = [];
        foreach ($house->cables[$cable]->cores as $core) {
            foreach ([1, 2] as $end) {
                $terminal = $core->ends[$end - 1];
                if (null !== $terminal && $house->partOf($terminal)->id === $part) {
                    $joints[$core->role->value] ??= $core->joint($end);
                }
            }
        }

        return $joints;
    }

    /** The circuit's own device off. */
    public static function deviceOff(House $house, string $circuit): StateChange
    {
        return new StateChange('set', $house->circuits[$circuit]->way, 'off');
    }

    /**
     * Everything that draws current or leaks on a circuit taken off it, lamps out.
     *
     * @return list<StateChange>
     */
    public static function loadsOut(House $house, string ...$circuits): array
    {
        $changes = [];
        foreach ($house->partsOfKind('light', 'appliance', 'surge-device') as $load) {
            if (\in_array($house->circuitOfPart($load->id), $circuits, true)) {
                $changes[] = new StateChange('load', $load->id, 'out');
            }
        }

        return $changes;
    }

    /** The house as it rests, with the wall switch of a switched outlet on. */
    public static function outletOn(House $house, Part $part, string $outlet): State
    {
        $state = State::resting($house);
        foreach ($house->wiring->landedOn(Outlets::behind($part, $outlet, 'L')) as [$core, $end]) {
            $switch = Role::SwitchedLine === $core->role && null !== $core->ends[2 - $end] ? $house->partOf($core->ends[2 - $end]) : null;
            if (null !== $switch) {
                $state = $state->after(new StateChange('set', $switch->id, 'on'));
            }
        }

        return $state;
    }

    /**
     * The switches of a circuit's lights closed, so that the test reaches past them.
     *
     * @return list<StateChange>
     */
    public static function switchesClosed(House $house, string $circuit): array
    {
        $changes = [];
        foreach ($house->partsOfKind('light') as $light) {
            if ($house->circuitOfPart($light->id) === $circuit) {
                array_push($changes, ...self::lightOn($light));
            }
        }

        return $changes;
    }

    /**
     * The joints of a circuit's neutral at the board, to be lifted.
     *
     * @return list<string>
     */
    public static function neutralsAtBoard(House $house, string $circuit): array
    {
        return BoardEnds::joints($house, $circuit, Role::Neutral->value);
    }

    /**
     * A circuit's neutral lifted at the board; the ends of a ring stay joined by a link, so that it is tested whole.
     *
     * @return list<StateChange>
     */
    public static function neutralLifted(House $house, string $circuit): array
    {
        return array_map(static fn (string $joint): StateChange => new StateChange('lift', $joint), self::neutralsAtBoard($house, $circuit));
    }

    /** Where the line of a circuit starts: the first leg of two. */
    public static function lineAtBoard(House $house, string $circuit): string
    {
        return array_values(self::linesAtBoard($house, $circuit))[0];
    }

    /** @return non-empty-array<string, string> where the lines of a circuit start: one by L, or two legs by L1 and L2 */
    public static function linesAtBoard(House $house, string $circuit): array
    {
        $way = $house->parts[$house->circuits[$circuit]->way];

        return match ($way->kind) {
            'rcbo', 'residual-device' => ['L' => $way->terminal('Lout')],
            'two-pole-breaker' => ['L1' => $way->terminal('out1'), 'L2' => $way->terminal('out2')],
            default => ['L' => $way->terminal('out')],
        };
    }

    /**
     * The line at the board that feeds a terminal, read off the wiring: of two legs the one that it hangs on.
     *
     * @param string $terminal behind whatever contact it has
     */
    public static function lineFeeding(House $house, string $circuit, string $terminal): string
    {
        $way = $house->circuits[$circuit]->way;
        $seen = [$terminal => true];
        for ($next = [$terminal]; [] !== $next;) {
            $at = array_shift($next);
            if ($house->partOf($at)->id === $way) {
                return $at;
            }
            $far = [];
            foreach ($house->wiring->landedOn($at) as [$core, $end]) {
                if ($house->cables[$core->cable]->circuit === $circuit && !\in_array($core->role, [Role::Neutral, Role::Earth], true)) {
                    $far[] = $core->ends[2 - $end];
                }
            }
            // Within a part a line goes on as a line; the two legs of a branch never meet.
            foreach (\in_array($house->terminals[$at]->role, [Role::Line, Role::SwitchedLine], true) ? $house->terminals : [] as $other) {
                if ($other->part === $house->terminals[$at]->part && \in_array($other->role, [Role::Line, Role::SwitchedLine], true)) {
                    $far[] = $other->id;
                }
            }
            foreach ($far as $other) {
                if (null !== $other && !isset($seen[$other])) {
                    $seen[$other] = true;
                    $next[] = $other;
                }
            }
        }

        return self::lineAtBoard($house, $circuit);
    }

    /** @return non-empty-array<string, array{string, string}> every pair of the live conductors of a circuit and its earth at the board, by name: L–N, L–E, N–E */
    public static function pairsAtBoard(House $house, string $circuit, string $neutral, string $earth): array
    {
        $ends = self::linesAtBoard($house, $circuit) + ['N' => $neutral, 'E' => $earth];
        $pairs = [];
        foreach ($ends as $one => $from) {
            unset($ends[$one]);
            foreach ($ends as $other => $to) {
                $pairs["{$one}–{$other}"] = [$from, $to];
            }
        }

        return $pairs;
    }

    /** Where the cpc of a circuit lands at the board; null for a circuit without one. */
    public static function earthAtBoard(House $house, string $circuit): ?string
    {
        return self::landing($house, $circuit, Role::Earth);
    }

    /** Where the neutral of a circuit lands at the board; null for a circuit without one. */
    public static function neutralAtBoard(House $house, string $circuit): ?string
    {
        return self::landing($house, $circuit, Role::Neutral);
    }

    private static function landing(House $house, string $circuit, Role $role): ?string
    {
        foreach (BoardEnds::joints($house, $circuit, $role->value) as $joint) {
            [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint.");

            return $core->ends[$end - 1];
        }

        return null;
    }

    /** @return list<string> circuits in their position on the board */
    public static function circuits(House $house): array
    {
        $circuits = $house->circuits;
        uasort($circuits, static fn ($a, $b): int => [$a->position, $a->id] <=> [$b->position, $b->id]);

        return array_map(strval(...), array_keys($circuits));
    }

    /** @return list<Part> appliances with a plug that are plugged in while the house rests */
    public static function pluggedIn(House $house): array
    {
        $resting = State::resting($house);

        return array_values(array_filter($house->partsOfKind('appliance'), static fn (Part $appliance): bool => '' !== $appliance->attributes->string('pluggedInto', '') && 'out' !== $resting->load($appliance->id)));
    }
}
