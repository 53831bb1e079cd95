<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Evaluation;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Forecast;
use YellowProbe\Diagnosis\Loss;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Evaluation\OptimalTree;
use YellowProbe\Evaluation\PlannedTree;
use YellowProbe\Evaluation\Puzzle;

/** The planner on diagnoses that are small enough to be solved. */
final class TreesTest extends TestCase
{
    public function testOneTestThatTellsAllIsBoughtWhenItIsCheaperThanBeingWrong(): void
    {
        // Two causes alike: repairing now is wrong in half the cases, 0.5 · 480 minutes. The test takes 10 and leaves nothing.
        $puzzle = static fn (float $minutes): Puzzle => new Puzzle(Puzzle::beliefs([0.5, 0.5]), [Puzzle::test([[1.0, 0.0], [0.0, 1.0]])], [$minutes], [0], [[0.0]]);
        self::assertEqualsWithDelta(10.0, OptimalTree::minutes($puzzle(10.0)), 1e-9);
        self::assertEqualsWithDelta(10.0, PlannedTree::minutes($puzzle(10.0)), 1e-9);
        self::assertEqualsWithDelta(240.0, OptimalTree::minutes($puzzle(250.0)), 1e-9, 'dearer than the guess');
        self::assertEqualsWithDelta(240.0, PlannedTree::minutes($puzzle(250.0)), 1e-9);
    }

    public function testWithASecondTestInViewTheHouseIsIsolatedOnceWhereOneStepWastesLiveTests(): void
    {
        // Four causes alike. Isolating takes 14 minutes; then two tests of one minute each tell a bit each: 2 bit in 16 minutes,
        // but the first alone 1 bit in 15. Three live tests of 5 minutes look better (½ bit or so each) and do not settle it.
        $tells = static fn (int ...$causes): Forecast => Puzzle::test(array_map(static fn (int $cause): array => \in_array($cause, $causes, true) ? [0.0, 1.0] : [1.0, 0.0], [0, 1, 2, 3]));
        $hints = static fn (int $cause): Forecast => Puzzle::test(array_map(static fn (int $each): array => $each === $cause ? [0.1, 0.9] : [0.9, 0.1], [0, 1, 2, 3]));
        $puzzle = new Puzzle(Puzzle::beliefs([0.25, 0.25, 0.25, 0.25]), [$tells(2, 3), $tells(1, 3), $hints(0), $hints(1), $hints(2)], [1.0, 1.0, 5.0, 5.0, 5.0], [1, 1, 0, 0, 0], [[0.0, 14.0], [0.0, 0.0]]);

        $ahead = PlannedTree::minutes($puzzle);
        self::assertEqualsWithDelta(16.0, $ahead, 1e-9, 'isolate, test, test');
        self::assertEqualsWithDelta(16.0, OptimalTree::minutes($puzzle), 1e-9);
        self::assertGreaterThan(1.2 * $ahead, PlannedTree::minutes($puzzle, false), 'a step less is a fifth dearer, or worse');
    }

    public function testThePlannerIsWithinATenthOfTheBestThereIs(): void
    {
        $best = $planned = 0.0;
        for ($seed = 1; $seed <= 40; ++$seed) {
            $puzzle = Puzzle::random(new Dice($seed), 7, 5);
            $own = OptimalTree::minutes($puzzle);
            self::assertLessThanOrEqual(PlannedTree::minutes($puzzle) + 1e-9, $own, "nothing is better than the best, seed $seed");
            $best += $own;
            $planned += PlannedTree::minutes($puzzle);
        }
        self::assertLessThanOrEqual(1.1 * $best, $planned);
        self::assertGreaterThan(0.0, $best);
    }

    public function testTheLossIsAWrongRepairOrPlacesOpenedForNothing(): void
    {
        // Kind 0 at places 0, 1, 2; kind 1 at place 3; the last atom has no name.
        $loss = new Loss([0, 0, 0, 1, null], [0, 1, 2, 3, 4], [0, 1, 2, 3, 4]);
        self::assertEqualsWithDelta(0.2 * 480.0 + (0.2 * 1 + 0.1 * 2) * 240.0, $loss->minutes([0.5, 0.2, 0.1, 0.1, 0.1]), 1e-9, 'the likeliest place first');
        self::assertEqualsWithDelta(0.2 * 480.0 + (0.2 * 1 + 0.1 * 2) * 240.0, $loss->minutes([0.1, 0.5, 0.2, 0.1, 0.1]), 1e-9, 'wherever it stands');
        self::assertEqualsWithDelta(0.1 * 480.0, $loss->minutes([0.05, 0.0, 0.0, 0.9, 0.05]), 1e-9);
        self::assertEqualsWithDelta(480.0, $loss->minutes([0.0, 0.0, 0.0, 0.0, 1.0]), 1e-9, 'what has no name cannot be repaired');
        // Three joints, two of them at one place: 60 at place 0 are 35 and 25, 40 at place 1.
        $joints = new Loss([0, 0, 0], [0, 0, 1], [0, 1, 2]);
        self::assertEqualsWithDelta(0.4 * 240.0 + 0.25 * 20.0, $joints->minutes([0.35, 0.25, 0.4]), 1e-9, 'the other joint of a place that is open costs its own minutes only');
    }
}
