<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Witness;

/** The protective devices that have to stay closed for a test: each is a witness of its own, in the state of the test. */
final class Watched
{
    /** Poles of the kinds that are watched. */
    private const POLES = ['breaker' => ['L'], 'rcbo' => ['L', 'N'], 'residual-device' => ['L', 'N']];

    /** A device watched in a state, for as long as a test takes or for good; null for a kind that is not. */
    public static function device(Part $device, State $state, bool $isBrief = true): ?Measurement
    {
        $poles = self::POLES[$device->kind] ?? [];

        return [] === $poles ? null : new Measurement($state, $isBrief ? DeviceWatch::briefly() : DeviceWatch::closed(), Connection::around(...array_map(static fn (string $pole): string => "+$device->id/$pole", $poles)));
    }

    /** Whether a test is done with the house on its supply. */
    public static function isLive(House $house, Measurement $measurement): bool
    {
        $tester = $measurement->instrument;
        $off = array_filter(States::mains($house), static fn (Part $main): bool => 'off' === $measurement->state->position($main->id, 'on'));

        return !$tester->deadOnly() && !$tester instanceof Witness && $tester->excitation()->isMains() && [] === $off;
    }

    /**
     * Those that a live test on a circuit has between it and the supply. Empty for a test that needs no supply, and where
     * something in line is open or parted: then the test says nothing of them.
     *
     * @return array<string, Measurement> by device, the circuit's own first
     */
    public static function by(House $house, Measurement $measurement): array
    {
        $state = $measurement->state;
        if (!self::isLive($house, $measurement) || [] !== $state->lifted || [] !== $state->links) {
            return [];
        }
        $watched = [];
        foreach ($measurement->circuits($house) as $circuit) {
            foreach (Protection::devices($house, $circuit) as $device) {
                if ('off' === $state->position($device->id, 'on')) {
                    return [];
                }
                $watch = self::device($device, $state);
                if (null !== $watch) {
                    $watched[$device->id] = $watch;
                }
            }
        }

        return $watched;
    }
}
