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
     * A circuit's neutral lifted at the board; the ends of a ring stay joined by a link, so that it is tested whole.
     *
     * @return list<StateChange>
     */
    public static function neutralLifted(House $house, string $circuit): array
    {
        return array_map(static fn (string $joint): StateChange => new StateChange('lift', $joint), BoardEnds::neutralsAtBoard($house, $circuit));
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
