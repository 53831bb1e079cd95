<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;

/** The causes that decide which test is best, and where they are. */
final class Mattering
{
    /** Causes beyond so much of the probability, below this, or beyond so many no longer decide it. */
    private const ENOUGH = 0.995;
    private const MATTERS = 1e-4;
    private const MOST_CAUSES = 100;

    /** @return list<Standing> likeliest first */
    public static function of(Ranking $ranking): array
    {
        $mattering = [];
        $sum = 0.0;
        foreach ($ranking->standings as $standing) {
            // What is left may be any of many, each of them unlikely: together they are worth a look round.
            if ($sum >= self::ENOUGH || $standing->probability < self::MATTERS || \count($mattering) >= self::MOST_CAUSES) {
                break;
            }
            $mattering[] = $standing;
            $sum += $standing->probability;
        }

        return $mattering;
    }

    /**
     * @param list<Standing> $standings
     *
     * @return non-empty-list<Hypothesis> theirs, after the sound house that each is compared with
     */
    public static function compared(array $standings): array
    {
        $compared = [Hypothesis::sound(1.0)];
        foreach ($standings as $standing) {
            // Of a pair both faults by themselves: enough to weigh tests.
            array_push($compared, ...$standing->hypothesis->singles());
        }

        return $compared;
    }

    /**
     * @param list<Standing> $standings
     *
     * @return array<string, float> place => how likely the cause is there
     */
    public static function places(array $standings): array
    {
        $places = [];
        foreach ($standings as $standing) {
            foreach ($standing->hypothesis->site->places ?? [] as $place) {
                $places[$place] = ($places[$place] ?? 0.0) + $standing->probability;
            }
        }

        return $places;
    }

    /**
     * @param list<Standing> $standings
     *
     * @return array<string, float> circuit => how likely the cause is on it
     */
    public static function circuits(House $house, array $standings): array
    {
        $places = self::places($standings);
        $circuits = $seen = [];
        foreach ($house->parts as $part) {
            $circuit = (string) $house->circuitOfPart($part->id);
            if (isset($places[$part->place]) && !isset($seen["$circuit $part->place"])) {
                $seen["$circuit $part->place"] = true;
                $circuits[$circuit] = ($circuits[$circuit] ?? 0.0) + $places[$part->place];
            }
        }

        return $circuits;
    }
}
