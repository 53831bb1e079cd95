<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Instrument\LoopTester;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Solution;

/** Why a tester cannot be used where it is put in a state, and the state that it needs. */
final readonly class Obstacle
{
    /** From here a conductor is live to an ohm or insulation range. */
    private const LIVE_VOLTS = 50.0;
    private const SWITCHES = ['main-switch', 'two-pole-breaker', 'changeover', 'residual-device', 'rcbo', 'residual-outlet', 'breaker'];

    /** @param bool $danger whether a person or the tester would come to harm, and not only the reading to nothing */
    private function __construct(public string $words, public bool $danger)
    {
    }

    public static function of(House $house, Measurement $measurement): ?self
    {
        $network = HouseNetwork::build($house, $measurement->state, Excitation::mains(), probed: $measurement->probed($house));
        foreach ($measurement->connection->terminals as $terminal) {
            if (!$network->hasNode($terminal)) {
                return new self(\sprintf('There is no loose end to probe: first lift %s, dead.', Labels::end($house, $terminal)), false);
            }
        }
        $solution = Elimination::of($network, $network->node(HouseNetwork::GROUND))->solve();
        $tester = $measurement->instrument;
        if ($tester->deadOnly()) {
            $live = array_filter($measurement->connection->terminals, static fn (string $terminal): bool => self::volts($solution, $terminal, null) > self::LIVE_VOLTS);

            return [] === $live ? null : new self(\sprintf('%s is for dead conductors only, and in the state on record these are live: %s. Switch %s off, lock it and prove dead.', $tester->words(), self::listed($house, $live), self::first($house, $measurement)), true);
        }
        if (!$tester instanceof LoopTester && !$tester instanceof ResidualTester) {
            return null;
        }
        $leads = $measurement->connection->terminals;
        if (self::volts($solution, $leads[0], $leads[\count($leads) - 1]) > self::LIVE_VOLTS) {
            return null;
        }
        $open = self::open($house, $measurement);

        return new self(\sprintf('%s needs the supply, and in the state on record there is none between %s. %s', $tester->words(), self::listed($house, $leads), [] === $open ? 'Look for the open conductor with volts first.' : \sprintf('Switch on: %s.', implode(', ', $open))), false);
    }

    private static function volts(Solution $solution, string $terminal, ?string $to): float
    {
        $volts = $solution->volts($terminal);
        $other = null === $to ? null : $solution->volts($to);

        return null === $volts || (null !== $to && null === $other) ? 0.0 : (null === $other ? $volts : $volts->minus($other))->modulus();
    }

    /** @param array<string> $terminals */
    private static function listed(House $house, array $terminals): string
    {
        return implode(', ', array_map(static fn (string $terminal): string => Labels::end($house, $terminal), $terminals));
    }

    /** @return list<string> names of what is off before the circuits that are touched */
    private static function open(House $house, Measurement $measurement): array
    {
        $open = [];
        foreach (self::devices($house, $measurement) as $device) {
            if ('off' === $measurement->state->position($device->id, 'on')) {
                $open[$device->id] = $device->name;
            }
        }

        return array_values($open);
    }

    /** The device to open for what is touched: the way of its circuit, or the main switch. */
    private static function first(House $house, Measurement $measurement): string
    {
        foreach (self::devices($house, $measurement) as $device) {
            return $device->name;
        }

        return 'the main switch';
    }

    /** @return list<Part> from the point towards the supply */
    private static function devices(House $house, Measurement $measurement): array
    {
        $devices = [];
        foreach ($measurement->circuits($house) as $circuit) {
            array_push($devices, ...Protection::devices($house, $circuit));
        }
        if ([] === $devices) {
            return States::mains($house);
        }

        return array_values(array_filter($devices, static fn (Part $device): bool => \in_array($device->kind, self::SWITCHES, true)));
    }
}
