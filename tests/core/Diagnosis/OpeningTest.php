<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Opening;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Place;

/** When opening a place and looking is the cheaper test. */
final class OpeningTest extends Asked
{
    public function testOnePlaceThatHoldsTwoThirdsIsOpened(): void
    {
        $opening = Opening::of(self::$house, self::ranking(['line-neutral-reversed|c' => 0.5, Hypothesis::SOUND => 0.1, 'line-neutral-reversed|a' => 0.2, 'neutral-earth-swapped|c' => 0.2]));
        self::assertNotNull($opening);
        self::assertSame([self::$house->parts['c']->place], self::ids($opening));
        self::assertEqualsWithDelta(0.7, $opening->share, 1e-12);
        self::assertNull(Opening::of(self::$house, self::ranking(['line-neutral-reversed|c' => 0.6, Hypothesis::SOUND => 0.4])));
    }

    public function testTwoNeighboursThatHoldNineTenthsAreOpenedTheLikelierFirst(): void
    {
        $b = self::$house->parts['b']->place;
        $c = self::$house->parts['c']->place;
        $opening = Opening::of(self::$house, self::ranking(['line-neutral-reversed|b' => 0.5, 'line-neutral-reversed|c' => 0.42, Hypothesis::SOUND => 0.08]));
        self::assertNotNull($opening);
        self::assertSame([$b, $c], self::ids($opening));
        self::assertNull(Opening::of(self::$house, self::ranking(['line-neutral-reversed|b' => 0.5, 'line-neutral-reversed|c' => 0.39, Hypothesis::SOUND => 0.11])), 'less than nine tenths between them');
    }

    public function testNobodyTakesUpAFloorWhileAnotherTestIsLeft(): void
    {
        $document = self::$house->document;
        $place = self::$house->parts['c']->place;
        self::assertIsArray($document['places']);
        self::assertIsArray($document['places'][$place]);
        $document['places'][$place]['access'] = 'under-floor';
        $ranking = self::ranking(['line-neutral-reversed|c' => 0.9, Hypothesis::SOUND => 0.1]);
        self::assertNotNull(Opening::of(self::$house, $ranking));
        self::assertNull(Opening::of(House::fromDocument($document), $ranking));
    }

    /** @param array<string, float> $shares by the id of the cause */
    private static function ranking(array $shares): Ranking
    {
        $standings = [];
        foreach (self::space(['none']) as $hypothesis) {
            if (($shares[$hypothesis->id] ?? 0.0) > 0.0) {
                $standing = new Standing($hypothesis, log($shares[$hypothesis->id]), [], [1.0]);
                $standing->probability = $shares[$hypothesis->id];
                $standings[] = $standing;
            }
        }
        usort($standings, static fn (Standing $one, Standing $other): int => $other->probability <=> $one->probability);

        return new Ranking($standings, []);
    }

    /** @return list<string> */
    private static function ids(Opening $opening): array
    {
        return array_map(static fn (Place $place): string => $place->id, $opening->places);
    }
}
