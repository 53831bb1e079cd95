<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Between;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Evaluation\MatchedWorld;
use YellowProbe\Instrument\Shown;

/** A fault between two of the severities of its kind. */
final class BetweenTest extends TestCase
{
    public function testARowMovesTowardsTheRowsBesideIt(): void
    {
        $sound = self::row(9.0);
        [$first, $middle, $last] = Between::rows([self::row(1.0), self::row(3.0), self::row(6.0)], [3], $sound);
        // Half the way from 1 to 6 for a whole step, evenly over a step: a deviation is its √12th.
        self::assertEqualsWithDelta(2.5 / sqrt(12.0), $middle->moves['severity'], 1e-12);
        // The parabola through 1, 3 and 6 leaves 1 at a slope of 1½ and 6 at one of 3½.
        self::assertEqualsWithDelta(1.5 / sqrt(12.0), $first->moves['severity'], 1e-12, 'the last step bends as the one before');
        self::assertEqualsWithDelta(3.5 / sqrt(12.0), $last->moves['severity'], 1e-12);
        self::assertGreaterThan(0.01, $middle->sigma, 'steps of 2 and 3 are no straight line');
        self::assertSame(0.5, $middle->moves['length'], 'what else moves it does so still');
    }

    public function testAtTheLastStepOnlyAGentleBendIsBelieved(): void
    {
        $sound = self::row(9.0);
        $two = Between::rows([self::row(1.0), self::row(3.0)], [2], $sound);
        self::assertEqualsWithDelta(2.0 / sqrt(12.0), $two[1]->moves['severity'], 1e-12, 'of two nothing says how the line bends');
        $three = Between::rows([self::row(1.0), self::row(3.0), self::row(5.0)], [3], $sound);
        self::assertGreaterThan($three[2]->sigma, $two[1]->sigma);
        self::assertEqualsWithDelta(2.0 / sqrt(12.0), $three[2]->moves['severity'], 1e-12, 'a straight line goes on');
        $wild = Between::rows([self::row(1.0), self::row(40.0), self::row(41.0)], [3], $sound);
        self::assertEqualsWithDelta(1.0 / sqrt(12.0), $wild[2]->moves['severity'], 1e-12, 'the step beside it, not the jump before');
    }

    public function testWhatLeavesTheReadingAloneOrIsNoNumberHasNoSeverity(): void
    {
        $sound = self::row(9.0);
        $dark = new Row(Shown::nothing(), 0.0, 1.0, []);
        $rows = Between::rows([$dark, self::row(3.0), $sound], [3], $sound);
        self::assertSame([$dark, $sound], [$rows[0], $rows[2]]);
        self::assertEqualsWithDelta(6.0 / sqrt(12.0), $rows[1]->moves['severity'], 1e-12, 'the one neighbour that is a number');
        self::assertSame([$sound], Between::rows([$sound], [1], $sound));
        // A step to what is as good as open says nothing of the step before.
        self::assertEqualsWithDelta(0.5 / sqrt(12.0), Between::rows([self::row(1.0), self::row(1.5), self::row(30.0)], [3], $sound)[1]->moves['severity'], 1e-12);
    }

    public function testOfTwoFaultsEachHasASeverityOfItsOwn(): void
    {
        $rows = Between::rows(array_map(self::row(...), [1.0, 2.0, 3.0, 11.0, 12.0, 13.0]), [2, 3], self::row(9.0));
        self::assertEqualsWithDelta([10.0 / sqrt(12.0), 1.0 / sqrt(12.0)], [$rows[4]->moves['severity'], $rows[4]->moves['other severity']], 1e-12);
    }

    public function testTheEvaluationDrawsSeveritiesEverywhereAlongTheSteps(): void
    {
        $dice = new Dice(5);
        $drawn = array_map(static fn (): float => MatchedWorld::ohms([10.0, 100.0, 4e3], [1.0, 1.0, 1.0], $dice), range(1, 3000));
        self::assertGreaterThanOrEqual(10.0, min($drawn));
        self::assertLessThanOrEqual(4e3, max($drawn));
        // A third of them each; of the middle one half lie below it, down to √10 of it, and half above, up to √40 times it.
        $share = static fn (float $low, float $high): float => \count(array_filter($drawn, static fn (float $ohms): bool => $ohms > $low && $ohms < $high)) / 3000.0;
        self::assertEqualsWithDelta(1.0 / 6.0, $share(100.0 / sqrt(10.0), 100.0), 0.03);
        self::assertEqualsWithDelta(1.0 / 6.0, $share(100.0, 100.0 * sqrt(40.0)), 0.03);
        self::assertSame(0.0, MatchedWorld::ohms([0.0], [1.0], $dice));
        // What still joins is no part of what is as good as open.
        self::assertSame([30.0, 1e9], array_values(array_unique([30.0, 1e9, ...array_map(static fn (): float => MatchedWorld::ohms([30.0, 1e9], [1.0, 1.0], $dice), range(1, 50))])));
    }

    private static function row(float $z): Row
    {
        return new Row(Shown::value($z), $z, 0.01, ['length' => 0.5]);
    }
}
