<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

/**
 * What is not as the house rests, in the only safe order of putting it back: links off, conductors refitted, then devices from
 * the feeder on. Loads, lamps and wall switches wait for nothing.
 */
final readonly class PuttingBack
{
    private const RANKS = [Temporary::LINK => 0, Temporary::CONDUCTOR => 1, Temporary::DEVICE => 2, Temporary::LOAD => 3];

    /** @return list<Temporary> first what is undone first */
    public static function of(House $house, State $now): array
    {
        $resting = State::resting($house);
        $closing = array_map(static fn (Part $device): string => $device->id, WayBack::order($house));
        $all = [];
        foreach ($resting->changesTo($now) as $change) {
            $kind = self::kind($house, $change);
            $rank = self::RANKS[$kind];
            $place = Temporary::DEVICE === $kind ? array_search($change->subject, $closing, true) : 0;
            $all[] = [$change, $kind, $rank, false === $place ? \count($closing) : $place];
        }
        usort($all, static fn (array $a, array $b): int => [$a[2], $a[3], $a[0]->subject] <=> [$b[2], $b[3], $b[0]->subject]);
        $first = $all[0] ?? null;

        return array_map(static fn (array $each): Temporary => new Temporary(
            $each[0],
            $each[1],
            Temporary::LOAD === $each[1] || (null !== $first && $each[2] === $first[2] && $each[3] === $first[3]),
        ), $all);
    }

    private static function kind(House $house, StateChange $change): string
    {
        return match ($change->operation) {
            'link', 'unlink' => Temporary::LINK,
            'lift', 'refit' => Temporary::CONDUCTOR,
            'load' => Temporary::LOAD,
            default => 'switch' === ($house->parts[$change->subject] ?? null)?->kind ? Temporary::LOAD : Temporary::DEVICE,
        };
    }
}
