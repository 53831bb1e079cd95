<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\FaultNature;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Place;
use YellowProbe\Procedure\Access;

/**
 * Places to be opened and looked at rather than tested once more: what is found there is also what is repaired. Once one place
 * holds two thirds of what is believed, or two neighbours nine tenths between them, and they can be reached from the floor, a cover
 * is the cheaper test (handbook, 12).
 */
final readonly class Opening
{
    private const TWO = 0.9;

    /** A place that is the second of two holds a share worth opening it for. */
    private const SECOND = 0.1;

    /** Minutes of the way to a place, beyond which it is no matter of a few screws: a loft, a floor. */
    private const REACHED_MINUTES = 6.0;

    /** @param non-empty-list<Place> $places the likeliest first */
    private function __construct(public array $places, public float $share)
    {
    }

    /** Null where no place or two hold enough, or what is likely is not seen by opening one. */
    public static function of(House $house, Ranking $ranking): ?self
    {
        $shares = $pairs = $first = [];
        foreach ($ranking->standings as $standing) {
            $places = self::seenAt($house, $standing->hypothesis);
            foreach ($places as $place) {
                $shares[$place] = ($shares[$place] ?? 0.0) + $standing->probability;
                // What is between two is as likely at the one as at the other: what is at one alone decides which comes first.
                $first[$place] = ($first[$place] ?? 0.0) + $standing->probability / \count($places);
            }
            if (2 === \count($places)) {
                $pairs[implode(' ', $places)] = ($pairs[implode(' ', $places)] ?? 0.0) + $standing->probability;
            }
        }
        $likeliest = array_map(strval(...), array_keys($first));
        usort($likeliest, static fn (string $one, string $other): int => [$first[$other], $one] <=> [$first[$one], $other]);
        if ([] === $likeliest || !self::isReached($house->places[$likeliest[0]])) {
            return null;
        }
        if ($shares[$likeliest[0]] >= Trying::ENOUGH) {
            return new self([$house->places[$likeliest[0]]], $shares[$likeliest[0]]);
        }
        foreach (\array_slice($likeliest, 1) as $other) {
            // What is between two is at both: it counts once.
            $both = $shares[$likeliest[0]] + $shares[$other] - ($pairs["$likeliest[0] $other"] ?? $pairs["$other $likeliest[0]"] ?? 0.0);
            if ($shares[$other] >= self::SECOND && $both >= self::TWO && self::isReached($house->places[$other]) && self::areNeighbours($house, $likeliest[0], $other)) {
                return new self([$house->places[$likeliest[0]], $house->places[$other]], $both);
            }
        }

        return null;
    }

    /** Whether nothing has to be taken off to see it: a clamp on a pipe, the lead of an earth rod. */
    public function isBare(): bool
    {
        return [] === array_filter($this->places, static fn (Place $place): bool => 'metalwork' !== $place->kind);
    }

    /** @return list<string> places at which a cause is seen when they are opened; none for a device, an appliance, the supply */
    private static function seenAt(House $house, Hypothesis $hypothesis): array
    {
        if (null === $hypothesis->kind || null === $hypothesis->site || [] !== $hypothesis->both || $hypothesis->isRepaired || FaultNature::Network !== $hypothesis->kind->nature()) {
            return [];
        }
        foreach ($hypothesis->site->things as $thing) {
            $part = $house->parts[explode('.', $thing)[0]] ?? null;
            if (null !== $part && \in_array($part->kind, ['appliance', 'service'], true)) {
                return [];
            }
        }
        $places = array_values(array_filter($hypothesis->site->places, static fn (string $place): bool => !\in_array($house->places[$place]->kind ?? 'origin', ['origin', 'appliance'], true)));
        sort($places);

        return \count($places) <= 2 ? $places : [];
    }

    private static function isReached(Place $place): bool
    {
        return Access::wayMinutes($place) <= self::REACHED_MINUTES;
    }

    private static function areNeighbours(House $house, string $one, string $other): bool
    {
        foreach ($house->cables as $cable) {
            foreach ($cable->cores as $core) {
                $ends = array_map(static fn (?string $end): ?string => null === $end ? null : $house->partOf($end)->place, $core->ends);
                if (\in_array($one, $ends, true) && \in_array($other, $ends, true)) {
                    return true;
                }
            }
        }

        return false;
    }
}
