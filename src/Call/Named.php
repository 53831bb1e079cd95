<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Done;
use App\Observation\IsolationStep;
use App\Observation\Leads;
use App\Observation\LeverTried;
use App\Observation\Lock;
use App\Observation\Measured;
use App\Observation\PairTried;
use App\Observation\Payload;
use App\Observation\Placed;
use App\Observation\Seen;
use App\Observation\Told;
use App\Observation\Unrepaired;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;

/** What an entry names of the house. A house may not lose what an entry names: it would make the entry unreadable. */
final class Named
{
    /** @return list<string> ids of parts, places, circuits, joints, terminals and elements */
    public static function in(Payload $payload): array
    {
        return array_values(array_unique(array_filter(match (true) {
            $payload instanceof Told => [$payload->device ?? '', ...$payload->places, ...$payload->running],
            $payload instanceof Seen, $payload instanceof Unrepaired => [$payload->place ?? ''],
            $payload instanceof Done => array_merge(...array_map(static fn ($act): array => \in_array($act->operation, ['link', 'unlink'], true) ? [$act->subject, $act->value] : [$act->subject], $payload->changes)),
            $payload instanceof IsolationStep => [$payload->place ?? '', ...$payload->switched, ...$payload->off, ...array_map(static fn (Lock $lock): string => $lock->device, $payload->locks), ...array_merge(...array_map(static fn (PairTried $tried): array => str_contains($tried->pair, '|') ? explode('|', $tried->pair) : [], $payload->tried))],
            $payload instanceof LeverTried => [$payload->device, ...$payload->dead, ...$payload->live],
            $payload instanceof Measured => null === $payload->connection ? [] : self::leads($payload->connection),
            $payload instanceof Placed => self::leads($payload->connection),
            default => [],
        }, static fn (string $name): bool => '' !== $name)));
    }

    /** Whether a house holds it. */
    public static function isIn(House $house, string $name): bool
    {
        $part = explode('/', $name)[0];

        return HouseNetwork::GROUND === $name || isset($house->parts[$name]) || isset($house->places[$name]) || isset($house->circuits[$name]) || $house->hasTerminal($name) || $house->hasTerminal("$name-L") || null !== $house->joint($name)
            || (str_contains($name, '/') && (isset($house->parts[$part]) || isset($house->cables[$part]->cores[preg_replace('/^([A-Za-z0-9]+)-[A-Za-z0-9]+@[12]$/', '$1', explode('/', $name)[1]) ?? ''])));
    }

    /** @return list<string> */
    private static function leads(Leads $leads): array
    {
        return [...$leads->terminals, ...array_map(static fn (string $signed): string => substr($signed, 1), $leads->around)];
    }
}
