<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Diagnosis\Liveness;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Installation\Supply;
use YellowProbe\Installation\Terminal;
use YellowProbe\Procedure\States;

/**
 * What an isolation at one place leaves live, and what has to be tried there before it is called dead (handbook, section 3).
 *
 * Two levels: the circuits that come to the place, for work on their line and cpc; or the whole board, for anything else. It
 * says what to expect; that something is dead only the tests at the place say.
 */
final readonly class IsolationScope
{
    public const CIRCUIT = 'circuit';
    public const BOARD = 'board';

    private const POLES = ['L', 'L1', 'L2', 'N', 'E'];

    /**
     * @param list<string> $off      devices to open, in this order, in words
     * @param list<string> $stays    what stays live all the same, in words
     * @param list<string> $warns    conductors of the place that stay live or may, in words
     * @param list<string> $pairs    every pair to try, and every other conductor to earth and to neutral
     */
    private function __construct(public array $off, public array $stays, public array $warns, public array $pairs)
    {
    }

    public static function of(House $house, string $place, string $level, State $now, Ranking $ranking): self
    {
        $circuits = self::circuits($house, $place);
        $devices = self::devices($house, $place, $level);
        $then = $now;
        foreach ($devices as $device) {
            $then = $then->after(new StateChange('set', $device->id, 'off'));
        }
        $live = Liveness::of($house, $then, $ranking);
        $warns = [];
        foreach (self::terminals($house, $place) as $terminal) {
            $says = $live[$terminal->id] ?? Liveness::EXPECTED_DEAD;
            if (Liveness::EXPECTED_DEAD !== $says) {
                $warns[] = "{$house->parts[$terminal->part]->name} · $terminal->key ".(Liveness::LIVE === $says ? 'stays live' : 'may be live, under a cause that still fits');
            }
        }

        return new self(
            array_map(static fn (Part $device): string => $device->name, $devices),
            self::stays($house, $level, $devices, $circuits),
            $warns,
            self::pairs($house, $place),
        );
    }

    /** @return list<Part> devices that the isolation opens */
    public static function devices(House $house, string $place, string $level): array
    {
        $circuits = self::circuits($house, $place);

        return self::BOARD === $level || [] === $circuits ? States::mains($house) : array_map(static fn (string $circuit): Part => $house->parts[$house->circuits[$circuit]->way], $circuits);
    }

    /**
     * @param list<Part>   $devices
     * @param list<string> $circuits
     *
     * @return list<string>
     */
    private static function stays(House $house, string $level, array $devices, array $circuits): array
    {
        $stays = ['The supply side of the main switch, the tails, the meter and the service head.'];
        foreach ($house->partsOfKind('backup-source', 'changeover') as $source) {
            $stays[] = "$source->name: a source of its own. Isolate, lock and prove it by itself; it can start seconds after the main opens.";
        }
        if ('split' === Supply::of($house)->system) {
            $stays[] = 'The neutral and its bond: the main opens the two legs only.';
        }
        if (self::BOARD === $level) {
            return $stays;
        }
        $stays[] = 'Every other circuit of the board, and whatever of them runs through the same box or cable.';
        foreach ($devices as $device) {
            if ('breaker' === $device->kind || ('rcbo' === $device->kind && !$device->attributes->flag('switchesNeutral', false))) {
                $stays[] = "The neutral behind $device->name: its device leaves it connected. Treat it as live and do not part it; for that the whole board goes off.";
            }
        }
        foreach ($circuits as $circuit) {
            if ('multiwire' === $house->circuits[$circuit]->claim) {
                $stays[] = "{$house->circuits[$circuit]->name}: its neutral carries the other leg.";
            }
        }
        if ('TT' === Supply::of($house)->system) {
            $stays[] = 'In this house neutral is not reliably at earth: use a device that opens it too.';
        }

        return $stays;
    }

    /** @return list<string> every pair to try at a place, and every other conductor to earth and to neutral */
    public static function pairs(House $house, string $place): array
    {
        $poles = [];
        $others = [];
        foreach (self::terminals($house, $place) as $terminal) {
            $role = $terminal->role->value;
            \in_array($role, self::POLES, true) ? $poles[$role] = true : $others["{$house->parts[$terminal->part]->name} · $terminal->key"] = true;
        }
        $poles = array_values(array_filter(self::POLES, static fn (string $pole): bool => isset($poles[$pole]) || (\in_array($pole, ['L', 'N', 'E'], true) && !isset($poles['L1']))));
        $pairs = [];
        foreach ($poles as $at => $one) {
            foreach (\array_slice($poles, $at + 1) as $other) {
                $pairs[] = "{$one}–{$other}";
            }
        }
        foreach (array_keys($others) as $other) {
            $pairs[] = "$other to E and to N";
        }

        return [...$pairs, 'every other conductor in the box to E and to N'];
    }

    /** @return list<string> circuits with a terminal at the place */
    private static function circuits(House $house, string $place): array
    {
        $circuits = [];
        foreach ($house->parts as $part) {
            $circuit = $part->place === $place ? $house->circuitOfPart($part->id) : null;
            if (null !== $circuit) {
                $circuits[$circuit] = true;
            }
        }

        return array_map(strval(...), array_keys($circuits));
    }

    /** @return list<Terminal> that conductors land on at the place */
    private static function terminals(House $house, string $place): array
    {
        return array_values(array_filter($house->terminals, static fn (Terminal $terminal): bool => $house->parts[$terminal->part]->place === $place && [] !== $house->wiring->landedOn($terminal->id)));
    }
}
