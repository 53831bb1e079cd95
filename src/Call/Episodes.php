<?php

declare(strict_types=1);

namespace App\Call;

use App\Entity\Observation;
use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Installation\Attributes;

/** What was read or tried in one go: half an hour without one begins another episode. */
final class Episodes
{
    private const GAP_SECONDS = 1800;

    /**
     * @param list<Observation> $observations in the order they were stored
     *
     * @return list<Exposure> one for each
     */
    public static function of(array $observations): array
    {
        $times = array_map(static fn (Observation $observation): int => $observation->clientAt->getTimestamp(), $observations);
        asort($times);
        $episode = 0;
        $last = null;
        $exposures = [];
        foreach ($times as $at => $time) {
            $episode += null !== $last && $time - $last > self::GAP_SECONDS ? 1 : 0;
            $last = $time;
            $exposures[$at] = new Exposure($episode, Forced::read(new Attributes($observations[$at]->payload, ''), '/payload/forced'));
        }
        ksort($exposures);

        return array_values($exposures);
    }
}
