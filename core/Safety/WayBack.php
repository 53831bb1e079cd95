<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Diagnosis\Liveness;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\States;

/** Bringing a board back in order, feeder to circuit, one device at a time, with what is then expected live and dead. */
final readonly class WayBack
{
    /** @param list<array{device: Part, live: list<string>, dead: list<string>}> $steps what each step makes live, and what of its circuits stays dead, by names */
    private function __construct(public array $steps)
    {
    }

    /** Only what is open now and was closed as the house rests. */
    public static function of(House $house, State $now): self
    {
        $resting = State::resting($house);
        $steps = [];
        $before = Liveness::of($house, $now, new Ranking([], []));
        foreach (self::order($house) as $device) {
            if ('on' === $now->position($device->id, 'on') || 'off' === $resting->position($device->id, 'on')) {
                continue;
            }
            $now = $now->after(new StateChange('set', $device->id, 'on'));
            $after = Liveness::of($house, $now, new Ranking([], []));
            $live = $dead = [];
            foreach ($house->terminals as $terminal) {
                $part = $house->parts[$terminal->part];
                if (Liveness::LIVE === ($after[$terminal->id] ?? '') && Liveness::LIVE !== ($before[$terminal->id] ?? '')) {
                    $live[$part->name] = true;
                }
            }
            foreach ($house->circuits as $circuit) {
                if ('on' !== $now->position($circuit->way, 'on')) {
                    $dead[$circuit->name] = true;
                }
            }
            $steps[] = ['device' => $device, 'live' => array_map(strval(...), array_keys($live)), 'dead' => array_map(strval(...), array_keys($dead))];
            $before = $after;
        }

        return new self($steps);
    }

    /** @return list<Part> main switch, residual devices, then the ways in their order */
    public static function order(House $house): array
    {
        $ways = array_map(static fn (string $circuit): Part => $house->parts[$house->circuits[$circuit]->way], States::circuits($house));
        $devices = [...States::mains($house), ...$house->partsOfKind('residual-device'), ...$ways];
        $order = [];
        foreach ($devices as $device) {
            $order[$device->id] = $device;
        }

        return array_values($order);
    }
}
