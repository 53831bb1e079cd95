<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\Access as TerminalAccess;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Place;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Measurement;

/** What a test has to get at: the places, what stands in front of them, their covers; in minutes (typical values, T6). */
final class Access
{
    /** What a place's "access" says of the way there, and back. */
    public const WAYS = ['free' => 0.0, 'furniture' => 4.0, 'cupboard' => 6.0, 'ladder' => 4.0, 'loft' => 20.0, 'under-floor' => 60.0];

    /** Board cover off with proving and on again; a socket or switch opened and refitted; a rose or light fitting is slower. */
    private const BOARD_COVER = 12.0;
    private const OPEN_POINT = 8.0;

    /** Minutes to get at everything the test touches that is not open yet. */
    public static function minutes(House $house, Measurement $measurement, Opened $opened): float
    {
        $minutes = 0.0;
        foreach (self::covers($house, $measurement) as $place => $cover) {
            if (!$opened->has((string) $place)) {
                $minutes += $cover + self::wayMinutes($house->places[$place]);
            }
        }

        return $minutes;
    }

    /** @return list<string> places that are open once the test is done */
    public static function reached(House $house, Measurement $measurement): array
    {
        return array_map(strval(...), array_keys(array_filter(self::covers($house, $measurement), static fn (float $cover): bool => $cover > 0.0)));
    }

    /** Whether the board's cover has to be off: terminals in it, a jaw, a link or a conductor lifted. */
    public static function needsBoard(House $house, Measurement $measurement): bool
    {
        foreach (self::reached($house, $measurement) as $place) {
            if ('board' === $house->places[$place]->kind) {
                return true;
            }
        }

        return false;
    }

    /** Whether a point is opened for it while it is live. */
    public static function opensLive(House $house, Measurement $measurement): bool
    {
        return !$measurement->instrument->deadOnly() && [] !== self::reached($house, $measurement) && !self::needsBoard($house, $measurement);
    }

    /** @return array<array-key, float> place => minutes for its cover; 0 where the test is done from its front */
    private static function covers(House $house, Measurement $measurement): array
    {
        $covers = [];
        $board = static function (string $place) use (&$covers): void {
            $covers[$place] = self::BOARD_COVER;
        };
        foreach ($measurement->connection->terminals as $terminal) {
            if (HouseNetwork::GROUND === $terminal) {
                continue;
            }
            $joint = $house->joint($terminal);
            $place = null !== $joint ? self::placeOfJoint($house, $joint[0]->ends, $joint[1]) : $house->partOf($terminal)->place;
            if (null === $place) {
                continue;
            }
            if ('board' === $house->places[$place]->kind) {
                $board($place);
            } else {
                $covers[$place] = max($covers[$place] ?? 0.0, null === $joint && TerminalAccess::Front === $house->terminals[$terminal]->access ? 0.0 : self::OPEN_POINT);
            }
        }
        // A tester with leads that names a device only makes it act, who closes it only has to get there; a jaw has to get around conductors.
        $watched = $measurement->instrument instanceof DeviceWatch;
        foreach ($watched ? $measurement->connection->around : [] as $signed) {
            $covers[$house->parts[explode('/', substr($signed, 1))[0]]->place] ??= 0.0;
        }
        $jaw = !$watched && [] === $measurement->connection->terminals && [] !== $measurement->connection->around;
        if ($jaw || [] !== $measurement->state->links || [] !== $measurement->state->lifted) {
            foreach ($house->places as $place) {
                if ('board' === $place->kind) {
                    $board($place->id);
                    break;
                }
            }
        }

        return $covers;
    }

    /**
     * Where the loose end of a lifted conductor is: where it was landed.
     *
     * @param array{string|null, string|null} $ends
     * @param 1|2                             $end
     */
    private static function placeOfJoint(House $house, array $ends, int $end): ?string
    {
        $terminal = $ends[$end - 1];

        return null === $terminal ? null : $house->partOf($terminal)->place;
    }

    /** Minutes of the way to a place, and back. */
    public static function wayMinutes(Place $place): float
    {
        return self::WAYS[$place->attributes->string('access', 'free')] ?? 0.0;
    }
}
