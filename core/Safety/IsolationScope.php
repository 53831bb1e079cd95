<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Diagnosis\Liveness;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Installation\Access;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Installation\Supply;
use YellowProbe\Installation\Terminal;
use YellowProbe\Procedure\States;
use YellowProbe\Procedure\TestName;
use YellowProbe\Words\Message;

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
     * @param list<Part>    $off      devices to open, in this order
     * @param list<Part>    $before   devices that may be opened before them: the circuits behind a main
     * @param list<Part>    $loads    what still draws on what goes off
     * @param list<Message> $stays    what stays live all the same
     * @param list<Message> $warns    conductors of the place that stay live or may
     * @param list<Pair>    $pairs    every pair to try, and every other conductor to earth and to neutral
     */
    private function __construct(public array $off, public array $before, public array $loads, public array $stays, public array $warns, public array $pairs)
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
                $warns[] = new Message(Liveness::LIVE === $says ? 'scope.live' : 'scope.may-be-live', ['end' => TestName::end($house, $terminal->id)]);
            }
        }
        $dark = self::BOARD === $level || [] === $circuits ? States::circuits($house) : $circuits;
        $ways = array_map(static fn (string $circuit): Part => $house->parts[$house->circuits[$circuit]->way], $dark);

        return new self(
            $devices,
            array_values(array_filter($ways, static fn (Part $way): bool => !\in_array($way, $devices, true) && 'off' !== $now->position($way->id, 'on'))),
            array_values(array_filter($house->partsOfKind('appliance', 'light'), static fn (Part $load): bool => 'on' === $now->load($load->id) && \in_array($house->circuitOfPart($load->id), $dark, true))),
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
     * @return list<Message>
     */
    private static function stays(House $house, string $level, array $devices, array $circuits): array
    {
        $stays = [new Message('scope.stays.supply')];
        foreach ($house->partsOfKind('source', 'changeover') as $source) {
            $stays[] = new Message('scope.stays.source', ['part' => $source->name]);
        }
        if ('split' === Supply::of($house)->system) {
            $stays[] = new Message('scope.stays.neutral');
        }
        if (self::BOARD === $level) {
            return $stays;
        }
        $stays[] = new Message('scope.stays.others');
        foreach ($devices as $device) {
            if (!self::opensNeutral($house, $device)) {
                $stays[] = new Message('scope.stays.solid-neutral', ['part' => $device->name]);
            }
        }
        foreach ($circuits as $circuit) {
            if ('multiwire' === $house->circuits[$circuit]->claim) {
                $stays[] = new Message('scope.stays.multiwire', ['circuit' => $house->circuits[$circuit]->name]);
            }
        }
        if ('TT' === Supply::of($house)->system) {
            $stays[] = new Message('scope.stays.tt');
        }

        return $stays;
    }

    /** Whether opening a device parts a neutral too, read off what it joins while it is closed. */
    private static function opensNeutral(House $house, Part $device): bool
    {
        $neutrals = array_filter($house->terminals, static fn (Terminal $terminal): bool => $terminal->part === $device->id && Role::Neutral === $terminal->role);
        if ([] === $neutrals) {
            return false;
        }

        // Some leave it solid: one that nobody has looked up counts as such.
        return 'rcbo' !== $device->kind || $device->attributes->flag('switchesNeutral', false);
    }

    /** @return list<Pair> every pair to try at a place, and every other conductor to earth and to neutral */
    public static function pairs(House $house, string $place): array
    {
        $poles = $others = [];
        foreach (self::probed($house, $place) as $terminal) {
            $role = $terminal->role->value;
            if (\in_array($role, self::POLES, true)) {
                $poles[$role] ??= $terminal->id;
            } else {
                $others[] = $terminal->id;
            }
        }
        $order = array_replace(array_intersect_key(array_flip(self::POLES), $poles), $poles);
        $pairs = [];
        foreach ($order as $one => $from) {
            unset($order[$one]);
            foreach ($order as $other => $to) {
                $pairs[] = Pair::between((string) $from, (string) $to, new Message('pair.poles', ['poles' => [new Message("role.$one"), new Message("role.$other")]]));
            }
        }
        foreach ($others as $other) {
            foreach (array_filter([$poles['E'] ?? null, $poles['N'] ?? null]) as $reference) {
                $pairs[] = Pair::between($other, $reference, new Message('pair.ends', ['ends' => [TestName::end($house, $other), TestName::end($house, $reference)]]));
            }
        }

        return [...$pairs, Pair::others()];
    }

    /**
     * Terminals of a place in the order that they are probed: at a board those of the main, then the bars; elsewhere the front
     * contacts, then what is behind the plate.
     *
     * @return list<Terminal>
     */
    private static function probed(House $house, string $place): array
    {
        $terminals = self::terminals($house, $place);
        $mains = array_map(static fn (Part $main): string => $main->id, States::mains($house));
        $rank = static fn (Terminal $terminal): int => match (true) {
            \in_array($terminal->part, $mains, true) => str_contains(strtolower($terminal->key), 'out') ? 0 : 9,
            'bar' === $house->parts[$terminal->part]->kind => 1,
            Access::Front === $terminal->access => 2,
            default => 3,
        };
        $isBoard = 'board' === $house->places[$place]->kind;
        usort($terminals, static fn (Terminal $a, Terminal $b): int => [$rank($a), $a->id] <=> [$rank($b), $b->id]);
        if ($isBoard) {
            // Everything in a board is "every other conductor in the box"; its pairs are those of the main and the bars.
            $terminals = array_values(array_filter($terminals, static fn (Terminal $terminal): bool => $rank($terminal) < 2));
        }

        return $terminals;
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

    /** @return list<Terminal> that conductors land on at the place, and the contacts of its outlets */
    private static function terminals(House $house, string $place): array
    {
        return array_values(array_filter($house->terminals, static fn (Terminal $terminal): bool => $house->parts[$terminal->part]->place === $place && (Access::Front === $terminal->access || [] !== $house->wiring->landedOn($terminal->id))));
    }
}
