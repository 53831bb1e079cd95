<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Ring;

/** Which point draws its current through a conductor, read off the wiring as surveyed: the heaviest and nearest. */
final class Drawn
{
    /** Terminals of devices that lead towards the supply. */
    private const TOWARDS_SUPPLY = ['in', 'in1', 'in2', 'Lin', 'Nin', 'mainL', 'mainN'];

    /**
     * @param list<TestPoint> $drawing
     *
     * @return TestPoint|null none where nothing that draws hangs on it
     */
    public static function through(House $house, Core $core, array $drawing): ?TestPoint
    {
        $circuit = $house->cables[$core->cable]->circuit;
        $behind = null === $circuit ? [] : self::behind($house, $circuit, $core->cable);
        if ([] !== $behind) {
            $on = array_values(array_filter($drawing, static fn (TestPoint $point): bool => \in_array($point->part->id, $behind, true)));
            // Of an accessory with more than one line, the outlet that this conductor feeds; else what is nearest to it.
            $fed = array_values(array_filter($on, static fn (TestPoint $point): bool => \in_array(null === $point->outlet ? null : Outlets::behind($point->part, $point->outlet, 'L'), $core->ends, true)));
            usort($on, static fn (TestPoint $a, TestPoint $b): int => [null === $a->loaded(), array_search($a->part->id, $behind, true)] <=> [null === $b->loaded(), array_search($b->part->id, $behind, true)]);

            return $fed[0] ?? $on[0] ?? null;
        }
        $circuits = self::fedThrough($house, $core);
        usort($drawing, static fn (TestPoint $a, TestPoint $b): int => (null === $a->loaded()) <=> (null === $b->loaded()));
        foreach ($drawing as $point) {
            if (\in_array($house->circuitOfPart($point->part->id), $circuits, true)) {
                return $point;
            }
        }

        return null;
    }

    /** @return list<string> the parts and cables that a cable of a circuit leads to, the nearest first; of a ring its own point; none for a feed between boards */
    private static function behind(House $house, string $circuit, string $cable): array
    {
        $stops = LineMap::of($house, $circuit)['stops'];
        foreach ($stops as $stop) {
            if (\in_array($cable, $stop['cables'], true)) {
                return 'switch' === $house->parts[$stop['part']]->kind ? self::switched($house, $stop['part']) : LineMap::behind($stops, $stop['part']);
            }
        }
        $ring = Ring::of($house, $circuit);

        return null !== $ring && $cable === $ring->cables[\count($ring->cables) - 1] ? [$ring->points[\count($ring->points) - 1]] : [];
    }

    /** @return list<string> the lights that a switch lights: they hang before it on the map, and draw through it */
    private static function switched(House $house, string $switch): array
    {
        $lights = array_filter($house->partsOfKind('light'), static fn (Part $light): bool => $light->attributes->object('switchedBy')->has($switch));

        return array_map(static fn (Part $light): string => $light->id, array_values($lights));
    }

    /** @return list<string> circuits whose current goes through a wire of a board, or a feed between boards */
    private static function fedThrough(House $house, Core $core): array
    {
        $circuits = [];
        foreach (array_filter($core->ends, is_string(...)) as $terminal) {
            $part = $house->partOf($terminal);
            if ('bar' === $part->kind) {
                array_push($circuits, ...self::onBar($house, $part->id, $core));
            } elseif (\in_array($house->terminals[$terminal]->key, self::TOWARDS_SUPPLY, true)) {
                array_push($circuits, ...self::behindDevice($house, $part->id));
            }
        }

        return $circuits;
    }

    /** @return list<string> circuits that hang on a bar by other conductors than this one */
    private static function onBar(House $house, string $bar, Core $feed): array
    {
        $circuits = [];
        foreach ($house->cables as $cable) {
            foreach ($cable->cores as $core) {
                foreach ([0, 1] as $end) {
                    [$here, $there] = [$core->ends[$end], $core->ends[1 - $end]];
                    if ($core->element() === $feed->element() || null === $here || null === $there || $house->partOf($here)->id !== $bar) {
                        continue;
                    }
                    array_push($circuits, ...(null !== $cable->circuit ? [$cable->circuit] : (\in_array($house->terminals[$there]->key, self::TOWARDS_SUPPLY, true) ? self::behindDevice($house, $house->partOf($there)->id) : [])));
                }
            }
        }

        return $circuits;
    }

    /** @return list<string> */
    private static function behindDevice(House $house, string $device): array
    {
        $through = static fn (string $circuit): bool => \in_array($device, array_map(static fn ($part): string => $part->id, Protection::devices($house, $circuit)), true);

        return array_values(array_filter(States::circuits($house), $through));
    }
}
