<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Entry;
use App\Observation\Measured;
use YellowProbe\Diagnosis\Exposure;

/** What was read or tried in one go: half an hour without one begins another episode. */
final class Episodes
{
    private const GAP_SECONDS = 1800;

    /**
     * @param list<Entry> $entries in the order they were stored
     *
     * @return list<Exposure> one for each
     */
    public static function of(array $entries): array
    {
        $times = array_map(static fn (Entry $entry): int => $entry->source->clientAt->getTimestamp(), $entries);
        asort($times);
        $episode = 0;
        $last = null;
        $exposures = [];
        foreach ($times as $at => $time) {
            $episode += null !== $last && $time - $last > self::GAP_SECONDS ? 1 : 0;
            $last = $time;
            $exposures[$at] = new Exposure($episode, $entries[$at]->payload instanceof Measured ? $entries[$at]->payload->conditions() : []);
        }
        ksort($exposures);

        return array_values($exposures);
    }
}
