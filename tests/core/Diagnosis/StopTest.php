<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\DataProvider;
use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\State;

/** When to stop testing, and what to do then. */
final class StopTest extends Asked
{
    /** @return iterable<string, array{array{string, string}|null, list<string>, list<string>, list<StopAdvice>}> fault, tests, symptoms, advice */
    public static function stops(): iterable
    {
        yield 'nothing known yet' => [null, [], ['residual-trip'], [StopAdvice::Test]];
        // Reversed tails would read the same here: half a minute at another socket is cheaper than a wrong repair.
        yield 'a reversed pair, seen at one socket' => [['line-neutral-reversed', 'c'], ['plug-in-check:c.front', 'polarity-live:c.front:N-E', 'polarity-live:c.front:L-E'], ['none'], [StopAdvice::Test]];
        yield 'and the next socket right' => [['line-neutral-reversed', 'c'], ['plug-in-check:c.front', 'polarity-live:c.front:N-E', 'plug-in-check:b.front', 'polarity-live:a.front:L-E'], ['none'], [StopAdvice::Repair]];
        yield 'a lost PEN' => [['lost-pen', 'service'], ['met-true-earth:loaded', 'met-true-earth:resting', 'earthing-current:earthing:on'], ['tingle'], [StopAdvice::Distributor, StopAdvice::Test]];
    }

    /**
     * @param array{string, string}|null $fault
     * @param list<string>               $tests
     * @param list<string>               $symptoms
     * @param list<StopAdvice>           $expected
     */
    #[DataProvider('stops')]
    public function testWhenToStop(?array $fault, array $tests, array $symptoms, array $expected): void
    {
        $truth = null === $fault ? null : Fault::at(self::$house, $fault[0], $fault[1])->change(self::$house);
        $ranking = self::ranked($truth, $tests, $symptoms);
        $stop = Stop::advised($ranking, Planner::sketching(self::$house)->next($ranking, State::resting(self::$house)));
        self::assertContains($stop->advice, $expected);
        self::assertSame('advice.'.$stop->advice->value, $stop->message()->key);
        self::assertTrue(StopAdvice::Test !== $stop->advice || $stop->savesMinutes > 0.0 || $stop->lossMinutes > 20.0, 'a test that is asked for takes away more loss than it costs, while little can be lost');
    }

    public function testAPlaceThatIsNotKnownCostsOpenings(): void
    {
        // Two ends alike, one place likelier than the other: the second is opened after the first for nothing in 30 cases of 100, four hours each, on top of a wrong repair: more is lost than a repair may.
        $space = self::space(['none']);
        $of = self::standing(...);
        $ranking = new Ranking([$of('line-neutral-reversed|a', 0.6), $of('line-neutral-reversed|b', 0.3), $of(Hypothesis::SOUND, 0.1)], []);
        $stop = Stop::advised($ranking, []);
        self::assertEqualsWithDelta(0.1 * 480.0 + 0.3 * 240.0, $stop->lossMinutes, 1e-9);
        self::assertSame(StopAdvice::Swap, $stop->advice);
        self::assertSame(StopAdvice::Repair, Stop::advised(new Ranking([$of('line-neutral-reversed|a', 0.85), $of('line-neutral-reversed|b', 0.1), $of(Hypothesis::SOUND, 0.05)], []), [])->advice);

        // One cause in several places, none of them likely: nobody swaps them all. The same weight at one place is a swap worth trying.
        $joints = array_values(array_filter($space, static fn (Hypothesis $hypothesis): bool => str_starts_with($hypothesis->id, 'high-resistance-joint|') && !$hypothesis->intermittent));
        $places = [];
        foreach ($joints as $joint) {
            $places[implode(' ', $joint->site->places ?? [])] ??= $joint->id;
        }
        $places = array_values($places);
        self::assertGreaterThanOrEqual(4, \count($places));
        $rest = [$of(Hypothesis::SOUND, 0.2), $of(Hypothesis::ELSE, 0.1)];
        $spread = array_map(static fn (string $id): Standing => $of($id, 0.7 / \count($places)), $places);
        self::assertSame(StopAdvice::LookAgain, Stop::advised(new Ranking([...$spread, ...$rest], []), [])->advice);
        self::assertSame(StopAdvice::Swap, Stop::advised(new Ranking([$of($places[0], 0.7), ...$rest], []), [])->advice);

        // Three places are tried in turn, two of five times for nothing, before anybody comes back another day.
        $three = array_map(static fn (string $id): Standing => $of($id, 0.28), \array_slice($places, 0, 3));
        $stop = Stop::advised(new Ranking([...$three, $of(Hypothesis::SOUND, 0.16)], []), []);
        self::assertEqualsWithDelta(0.16 * 480.0 + 0.28 * (240.0 + 480.0), $stop->lossMinutes, 1e-9);
        self::assertSame(StopAdvice::Swap, $stop->advice);
    }

    public function testWhatTheDistributorHasMendedIsNoLongerHis(): void
    {
        $rest = self::standing(Hypothesis::SOUND, 0.1);
        self::assertSame(StopAdvice::Distributor, Stop::advised(new Ranking([self::standing('lost-pen|service', 0.9), $rest], []), [])->advice);
        self::assertSame(StopAdvice::Done, Stop::advised(new Ranking([self::standing('lost-pen|service', 0.9, ['lost-pen|service']), $rest], []), [])->advice);
    }

    /** @param list<string> $repaired */
    private static function standing(string $id, float $probability, array $repaired = []): Standing
    {
        foreach (self::space(['none']) as $hypothesis) {
            if ($hypothesis->id === $id) {
                $standing = new Standing($hypothesis->after($repaired), log($probability), [], [1.0]);
                $standing->probability = $probability;

                return $standing;
            }
        }
        self::fail($id);
    }

    public function testATestThatTellsLittleIsBoughtOnlyWhereMuchIsOpenToLoss(): void
    {
        // At its rate 0.3 bits cost 5 · 0.3 / 0.04 = 37.5 minutes: within four times the 10 that can be lost, not of the 9.
        self::assertTrue(Stop::pays(10.0, [-4.0], [5.0], [0.04], 0.3));
        self::assertFalse(Stop::pays(9.0, [-4.0], [5.0], [0.04], 0.3));
        // Where much can be lost a hundredth of a bit for ten minutes is not too dear, less is.
        self::assertTrue(Stop::pays(21.0, [-4.0], [10.0], [0.011], 3.0));
        self::assertFalse(Stop::pays(21.0, [-4.0], [10.0], [0.009], 3.0));
        self::assertFalse(Stop::pays(10.0, [-4.0], [10.0], [0.3], 0.3), 'never for as much as can be lost');
        self::assertFalse(Stop::pays(3.9, [-0.1], [0.5], [0.3], 0.3), 'nor while next to nothing can be');
        self::assertTrue(Stop::pays(3.9, [0.1], [0.5], [0.3], 0.3), 'unless it saves more than it costs');
        self::assertFalse(Stop::pays(100.0, [], [], [], 2.0));
    }

    public function testBitsThatAreOpenAreOfRepairs(): void
    {
        self::assertEqualsWithDelta(1.75, (new Beliefs([], [0, 1, 2, 3], [0.5, 0.25, 0.125, 0.125]))->openBits(), 1e-12);
        self::assertEqualsWithDelta(1.0, (new Beliefs([], [0, 1, 1, 1], [0.5, 0.25, 0.125, 0.125]))->openBits(), 1e-12, 'severities of one fault are one repair');
        self::assertSame(0.0, (new Beliefs([], [0, 1], [1.0, 0.0]))->openBits());
    }

    public function testWithoutATestThatTellsOnlyARepairWill(): void
    {
        $ranking = self::ranked(Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house), ['plug-in-check:c.front'], ['none']);
        $stop = Stop::advised($ranking, []);
        self::assertSame(-\INF, $stop->savesMinutes);
        self::assertContains($stop->advice, [StopAdvice::Swap, StopAdvice::Repair]);
    }
}
