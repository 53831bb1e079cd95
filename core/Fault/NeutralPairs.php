<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;

/** Where the neutrals of two circuits come near each other. */
final class NeutralPairs
{
    /** Two circuits in one room are this much likelier to be mixed up than two that never meet. */
    public const SAME_ROOM = 5.0;

    /** @return array<string, non-empty-list<Part>> circuit => its points with a neutral, in the order of their ids */
    public static function pointsByCircuit(House $house): array
    {
        $points = [];
        foreach (Outlets::points($house) as $part) {
            $circuit = $house->circuitOfPart($part->id);
            if (null !== $circuit) {
                $points[$circuit][] = $part;
            }
        }
        ksort($points);

        return $points;
    }

    /**
     * The point of a circuit that shares the room with a part, else its first: how far along the neutral they meet
     * moves a reading by fractions of an ohm only.
     *
     * @param non-empty-list<Part> $points
     *
     * @return array{Part, float} the point and its weight
     */
    public static function nearest(House $house, Part $part, array $points): array
    {
        $room = $house->places[$part->place]->room;
        foreach ($points as $point) {
            if ('' !== $room && $house->places[$point->place]->room === $room) {
                return [$point, self::SAME_ROOM];
            }
        }

        return [$points[0], 1.0];
    }
}
