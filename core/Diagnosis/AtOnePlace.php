<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;

/**
 * Two faults at one place can make what neither makes alone: line and earth exchanged at a point whose earth is missing as well.
 * What a leading cause leaves unexplained, and where that was read, names the partners that are tried beside it.
 */
final class AtOnePlace
{
    /** How likely it has to be that the cause is nothing of the list. */
    private const ADMITTED = 0.3;

    private const LEADERS = 2;
    private const PARTNERS = 8;

    /**
     * @param list<Standing> $named likeliest first
     *
     * @return list<array{Standing, Standing}> leader and partner
     */
    public static function partners(House $house, Ranking $singles, array $named): array
    {
        if ($singles->probability(Hypothesis::ELSE) < self::ADMITTED) {
            return [];
        }
        $partners = [];
        foreach (\array_slice($named, 0, self::LEADERS) as $leader) {
            $places = array_flip(self::unexplained($house, $singles, $leader));
            $there = array_values(array_filter($named, static fn (Standing $other): bool => $other !== $leader && [] !== array_intersect_key($places, array_flip($other->hypothesis->site->places ?? []))));
            usort($there, static fn (Standing $a, Standing $b): int => [$b->hypothesis->prior, $a->hypothesis->id] <=> [$a->hypothesis->prior, $b->hypothesis->id]);
            foreach (\array_slice($there, 0, self::PARTNERS) as $partner) {
                $partners[] = [$leader, $partner];
            }
        }

        return $partners;
    }

    /** @return list<string> places, boards apart, where something was read that the cause takes for a slip */
    private static function unexplained(House $house, Ranking $singles, Standing $leader): array
    {
        $places = [];
        foreach ($singles->evidence as $at => $piece) {
            $isSlip = exp($leader->each[$at]) < 2.0 * $piece->blunder * $piece->display->broad($piece->reading);
            foreach ($isSlip ? $piece->measurement->connection->terminals : [] as $terminal) {
                $place = HouseNetwork::GROUND === $terminal || null !== $house->joint($terminal) ? null : $house->partOf($terminal)->place;
                if (null !== $place && 'board' !== $house->places[$place]->kind) {
                    $places[] = $place;
                }
            }
        }

        return array_values(array_unique($places));
    }
}
