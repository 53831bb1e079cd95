<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
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
        $changes = [];
        foreach ($house->partsOfKind('main-switch') as $main) {
            $changes[] = new StateChange('set', $main->id, 'off');
        }

        return State::resting($house)->after(...$changes, ...$more);
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
        foreach ($house->partsOfKind('light', 'appliance') as $load) {
            if (\in_array($house->circuitOfPart($load->id), $circuits, true)) {
                $changes[] = new StateChange('load', $load->id, 'out');
            }
        }

        return $changes;
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
        $joints = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            $core = $cable->cores['N'] ?? null;
            foreach ([1, 2] as $end) {
                $terminal = $core?->ends[$end - 1];
                if (null !== $core && null !== $terminal && $cable->circuit === $circuit && 'board' === $house->places[$house->partOf($terminal)->place]->kind) {
                    $joints[] = $core->joint($end);
                }
            }
        }

        return $joints;
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

    /** Where the line of a circuit starts. */
    public static function lineAtBoard(House $house, string $circuit): string
    {
        $way = $house->parts[$house->circuits[$circuit]->way];

        return $way->terminal('rcbo' === $way->kind ? 'Lout' : 'out');
    }

    /** Where the cpc of a circuit lands at the board; null for a circuit without one. */
    public static function earthAtBoard(House $house, string $circuit): ?string
    {
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach ($cable->cores['E']->ends ?? [] as $terminal) {
                if ($cable->circuit === $circuit && null !== $terminal && 'board' === $house->places[$house->partOf($terminal)->place]->kind) {
                    return $terminal;
                }
            }
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
}
