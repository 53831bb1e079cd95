<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Evaluation;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Presence;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Evaluation\FixedOrder;
use YellowProbe\Evaluation\Groups;
use YellowProbe\Evaluation\Halving;
use YellowProbe\Evaluation\MatchedWorld;
use YellowProbe\Evaluation\MismatchedWorld;
use YellowProbe\Evaluation\Outcome;
use YellowProbe\Evaluation\Score;
use YellowProbe\Evaluation\Summary;
use YellowProbe\Evaluation\Tables;
use YellowProbe\Evaluation\Truth;
use YellowProbe\Evaluation\Visit;
use YellowProbe\Fault\Change;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Procedure\Entries;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** The measure of the diagnosis has to be right itself: draws at their rates, groups, scores and intervals by hand. */
final class EvaluationTest extends TestCase
{
    private static House $house;
    private static Tables $tables;
    private static Groups $groups;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::demo('rod-and-outbuilding');
        self::$tables = new Tables(self::$house, self::space());
        self::$groups = Groups::of(self::$house, self::space(), self::$tables);
    }

    public function testDiceAreFairAndRepeat(): void
    {
        $dice = new Dice(3);
        $normals = array_map(static fn (): float => $dice->normal(), range(1, 20000));
        $mean = array_sum($normals) / 20000;
        self::assertEqualsWithDelta(0.0, $mean, 0.03);
        self::assertEqualsWithDelta(1.0, array_sum(array_map(static fn (float $x): float => ($x - $mean) ** 2, $normals)) / 20000, 0.04);
        $drawn = array_count_values(array_map(static fn (): int => $dice->weighted([1.0, 3.0, 0.0]), range(1, 8000)));
        self::assertEqualsWithDelta(0.25, ($drawn[0] ?? 0) / 8000, 0.02);
        self::assertArrayNotHasKey(2, $drawn);
        self::assertSame((new Dice(9))->uniform(), (new Dice(9))->uniform());
        self::assertNotSame((new Dice(9))->uniform(), (new Dice(10))->uniform());
    }

    public function testTheMatchedWorldDrawsCausesByTheirPriors(): void
    {
        $space = self::space(['tingle']);
        $dice = new Dice(5);
        $drawn = ['sound' => 0, 'else' => 0];
        $draws = 3000;
        for ($i = 0; $i < $draws; ++$i) {
            $truth = (new MatchedWorld())->truth(self::$house, $space, $dice);
            $drawn['sound'] += Hypothesis::SOUND === $truth->hypothesis ? 1 : 0;
            $drawn['else'] += null === $truth->hypothesis ? 1 : 0;
            self::assertSame(self::$house, $truth->house);
        }
        $prior = [];
        foreach ($space as $hypothesis) {
            $prior[$hypothesis->id] = $hypothesis->prior;
        }
        // Only their ratios count: kinds that this house has no place for are left out of the sum.
        $sum = array_sum($prior);
        self::assertEqualsWithDelta($prior[Hypothesis::SOUND] / $sum, $drawn['sound'] / $draws, 0.03);
        self::assertEqualsWithDelta($prior[Hypothesis::ELSE] / $sum, $drawn['else'] / $draws, 0.03);
    }

    public function testWhatComesAndGoesIsThereAsOftenAsTheRankingExpects(): void
    {
        $house = Houses::ringAndLights();
        $space = array_values(array_filter(HypothesisSpace::of($house, Houses::rates(), new Story(['flicker'])), static fn (Hypothesis $one): bool => \in_array($one->id, ['high-resistance-joint|ring-s-spur/L@1|at-times', 'open-line|low-r2/L@1|at-times'], true)));
        self::assertCount(2, $space);
        $dice = new Dice(8);
        $drawn = ['high-resistance-joint' => [], 'open-line' => []];
        for ($i = 0; $i < 4000; ++$i) {
            $truth = (new MatchedWorld())->truth($house, [$space[$i % 2]], $dice);
            $drawn[explode('|', (string) $truth->hypothesis)[0]][] = $truth->presence;
            self::assertSame($truth->presence->shows(false), $truth->isCause());
        }
        $shares = static fn (string $kind): array => array_map(static fn (Presence $one): float => \count(array_keys($drawn[$kind], $one, true)) / 2000.0, Presence::cases());
        self::assertEqualsWithDelta([0.14, 0.06, 0.56, 0.24], $shares('high-resistance-joint'), 0.04);
        self::assertEqualsWithDelta([0.7, 0.0, 0.0, 0.3], $shares('open-line'), 0.04, 'a load does not bring it out');
        // There under a load only: quiet as long as nothing was read that would show it then.
        $outcome = static fn (Presence $presence, bool $isBroughtOut): bool => (new Outcome(new Truth($house, null, 'sound', new Factors(), $presence), [[]], 1, 1.0, StopAdvice::Leave, [], $isBroughtOut))->isQuiet();
        self::assertSame([true, false, true, false], array_map(static fn (Presence $one): bool => $outcome($one, false), Presence::cases()));
        self::assertSame([true, false, false, false], array_map(static fn (Presence $one): bool => $outcome($one, true), Presence::cases()));
    }

    public function testTheMismatchedWorldGoesWrongAtItsRates(): void
    {
        /** @var array<string, mixed> $raw */
        $raw = json_decode((string) file_get_contents(__DIR__.'/../../../config/evaluation/mismatched.json'), true, 8, \JSON_THROW_ON_ERROR);
        $world = new MismatchedWorld(new Attributes($raw, ''));
        $house = Houses::ringAndLights();
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['residual-trip']));
        $dice = new Dice(6);
        $count = ['absent' => 0, 'outside' => 0, 'rewired' => 0, 'unlisted' => 0];
        $draws = 600;
        for ($i = 0; $i < $draws; ++$i) {
            $truth = $world->truth($house, $space, $dice);
            $count['absent'] += Hypothesis::SOUND === $truth->hypothesis ? 1 : 0;
            $count['outside'] += null === $truth->hypothesis ? 1 : 0;
            $count['unlisted'] += isset($truth->house->parts['unlisted']) ? 1 : 0;
            $count['rewired'] += $truth->house->cables['ring-r2']->cores['L']->ends !== $house->cables['ring-r2']->cores['L']->ends ? 1 : 0;
        }
        self::assertEqualsWithDelta(0.15, $count['absent'] / $draws, 0.04);
        self::assertEqualsWithDelta(0.04 * 0.85, $count['outside'] / $draws, 0.02);
        self::assertEqualsWithDelta(0.15, $count['unlisted'] / $draws, 0.04);
        self::assertGreaterThan(10, $count['rewired']);
    }

    public function testWhatNoReadingTellsApartIsOneGroupAndProbabilityIsKept(): void
    {
        $of = self::$groups->of;
        self::assertSame($of[Hypothesis::SOUND], $of['transient-trip|house'], 'only looked for, never read');
        self::assertSame($of[Hypothesis::SOUND], $of['buried-splice|shed-feed']);
        self::assertNotSame($of['line-neutral-reversed|bench'], $of[Hypothesis::SOUND]);
        self::assertNotSame($of['open-line|bench-1/L@1'], $of['open-neutral|bench-1/N@1']);
        $even = array_fill_keys(array_keys($of), 1.0 / \count($of));
        self::assertEqualsWithDelta(1.0, array_sum(self::$groups->sum($even)), 1e-12);
        self::assertSame(\count($of), array_sum(self::$groups->sizes()));
    }

    public function testAVisitRepeatsEndsAndIsPaidFor(): void
    {
        $space = self::space(['part-dead']);
        $run = static fn (?\Closure $choice): Outcome => (new Visit(self::$house, $space, self::$tables, new MatchedWorld(), $choice))->run(self::opened($space), new Dice(12));
        $one = $run(null);
        $other = $run(null);
        self::assertSame([$one->tests, $one->minutes, $one->advice, $one->last()], [$other->tests, $other->minutes, $other->advice, $other->last()]);
        self::assertCount($one->tests + 1, $one->steps);
        self::assertGreaterThan(0.0, $one->minutes);
        foreach ($one->steps as $step) {
            self::assertEqualsWithDelta(1.0, array_sum($step), 1e-9);
        }
        self::assertTrue(Score::of($one, self::$groups)->inLead, 'the open line is among the places of what leads');
        self::assertTrue(Score::of($run(Halving::choose(...)), self::$groups)->topThree, 'by halving too, at its own pace');
    }

    public function testAfterARepairWhatIsLeftIsLookedForWhoeverMended(): void
    {
        // A lost PEN is the distributor's, who mends it; then the line that is open besides is found.
        $house = Houses::ringAndLights();
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['tingle']));
        $causes = array_column($space, null, 'id');
        $faults = array_map(static fn (string $id): Change => $causes[$id]->changes($house)[0] ?? throw new \LogicException("$id changes nothing."), ['lost-pen|service' => 'lost-pen|service', 'open-line|low-r2/L@1' => 'open-line|low-r2/L@1']);
        $truth = (new Truth($house, null, implode('&', array_keys($faults)), new Factors(), faults: $faults))->after([]);
        $tables = new Tables($house, $space);
        $run = static fn (bool $mends, bool $isAsked): Outcome => (new Visit($house, $space, $tables, new MatchedWorld(), null, $mends, $isAsked))->run($truth, new Dice(4));
        $once = $run(false, true);
        self::assertSame(StopAdvice::Distributor, $once->advice);
        self::assertCount($once->tests + 1, $once->steps);

        $both = $run(true, true);
        self::assertSame([], array_diff(array_keys($faults), $both->named));
        self::assertSame($once->steps, $both->steps, 'what is thought before the first repair is the same');
        self::assertFalse($both->truth->isCause(), 'both were put right');
        // At an inspection there is nothing to try again: at least a proof for each repair, and no minutes for trials.
        $inspected = $run(true, false);
        self::assertGreaterThan($once->tests, $inspected->tests);
        self::assertNotSame($both->minutes, $inspected->minutes);
    }

    public function testTheFixedOrderKeepsToItsListWhateverATestIsWorth(): void
    {
        self::assertSame([], array_diff(FixedOrder::TESTS, Entries::slugs()), 'the list names tests of the catalogue');
        $candidates = [];
        foreach (TestCatalogue::plans(self::$house) as $plan) {
            // The later a test stands, the more it is said to be worth.
            $candidates[] = new Candidate($plan, (float) \count($candidates), 1.0, (float) \count($candidates), 0.0);
        }
        $ranking = Ranker::rank(self::space(), []);
        $tests = [];
        while (null !== $next = FixedOrder::choose($ranking, $candidates, self::$tables)) {
            $tests[] = $next->plan->procedure->slug().(self::$tables->opensLive($next->plan) ? ', opened' : '');
            $candidates = array_values(array_filter($candidates, static fn (Candidate $one): bool => $one !== $next));
        }
        // A point is opened live only after the last of the live tests that ask for no opening.
        $order = FixedOrder::TESTS;
        array_splice($order, (int) array_search('rcd-ramp', $order, true) + 1, 0, ['polarity-live, opened', 'zs, opened']);
        $listed = array_values(array_intersect($tests, $order));
        self::assertSame(array_values(array_intersect($order, $tests)), array_values(array_unique($listed)));
        self::assertSame($listed, \array_slice($tests, 0, \count($listed)), 'what the list leaves out comes last');
        self::assertContains('zs, opened', $tests);
    }

    public function testScoresByHand(): void
    {
        $truth = static fn (?string $hypothesis): Truth => new Truth(self::$house, null, $hypothesis, new Factors());
        $base = array_fill_keys(array_keys(self::$groups->of), 0.0);
        $right = ['open-line|bench-1/L@1' => 0.95, Hypothesis::ELSE => 0.05] + $base;
        $score = Score::of(new Outcome($truth('open-line|bench-1/L@1'), [$right], 4, 12.0, StopAdvice::Repair, ['open-line|bench-1/L@1']), self::$groups);
        self::assertTrue($score->top && $score->topThree && $score->exact && $score->inLead && !$score->sureAndWrong);
        $score = Score::of(new Outcome($truth('line-neutral-reversed|bench'), [$right], 4, 12.0, StopAdvice::Repair, ['open-line|bench-1/L@1']), self::$groups);
        self::assertTrue($score->sureAndWrong);
        self::assertFalse($score->top || $score->inLead);
        $unknown = Score::of(new Outcome($truth(null), [[Hypothesis::ELSE => 0.4, 'open-line|bench-1/L@1' => 0.6] + $base], 4, 12.0, StopAdvice::Repair, []), self::$groups);
        self::assertTrue($unknown->top, 'something else was admitted');
        self::assertFalse(Score::of(new Outcome($truth(null), [$right], 4, 12.0, StopAdvice::Repair, []), self::$groups)->top);
        self::assertSame(['line-neutral-reversed', 'outside'], [$score->kind, $unknown->kind]);
        // Of two faults either may be named first; only both together are the pair.
        $pair = 'line-neutral-reversed|bench&open-line|bench-1/L@1';
        $half = Score::of(new Outcome($truth($pair), [$right], 4, 12.0, StopAdvice::Repair, ['open-line|bench-1/L@1']), self::$groups);
        self::assertTrue($half->top && $half->inLead && !$half->sureAndWrong && !$half->topThree && !$half->exact);
        $both = Score::of(new Outcome($truth($pair), [[$pair => 0.9, 'open-line|bench-1/L@1' => 0.1] + $base], 4, 12.0, StopAdvice::Repair, [$pair]), self::$groups);
        self::assertTrue($both->top && $both->topThree && $both->exact && $both->inLead && 'two faults' === $both->kind);
        self::assertTrue(Score::of(new Outcome($truth($pair), [['no-cpc|shed-feed' => 0.95] + $base], 4, 12.0, StopAdvice::Repair, []), self::$groups)->sureAndWrong);
    }

    public function testMeansIntervalsAndCalibration(): void
    {
        $truth = new Truth(self::$house, null, 'open-line|bench-1/L@1', new Factors());
        $base = array_fill_keys(array_keys(self::$groups->of), 0.0);
        $score = static fn (float $probability, float $minutes): Score => Score::of(new Outcome($truth, [['open-line|bench-1/L@1' => $probability, Hypothesis::ELSE => 1.0 - $probability] + $base], 1, $minutes, StopAdvice::Repair, []), self::$groups);
        $mean = Summary::mean([$score(0.9, 10.0), $score(0.9, 20.0), $score(0.9, 30.0)], static fn (Score $one): float => $one->minutes);
        self::assertSame(20.0, $mean['mean']);
        self::assertGreaterThanOrEqual(10.0, $mean['low']);
        self::assertLessThan(20.0, $mean['low']);
        self::assertGreaterThan(20.0, $mean['high']);
        // Always right and said with certainty: no error. Sure of another cause: 1 said, 0 true, in the bin of the largest.
        self::assertEqualsWithDelta(0.0, Summary::calibrationError([$score(1.0, 1.0)]), 1e-12);
        $wrong = Score::of(new Outcome(new Truth(self::$house, null, 'line-neutral-reversed|bench', new Factors()), [['open-line|bench-1/L@1' => 1.0] + $base], 1, 1.0, StopAdvice::Repair, []), self::$groups);
        self::assertGreaterThan(1.0 / \count($wrong->calibration) - 1e-12, Summary::calibrationError([$wrong]));
        self::assertSame(0.0, Summary::calibrationError([]));
    }

    /** @param non-empty-list<Hypothesis> $space */
    private static function opened(array $space): Truth
    {
        foreach ($space as $hypothesis) {
            if ('open-line|bench-1/L@1' === $hypothesis->id) {
                return new Truth(self::$house, $hypothesis->changes(self::$house)[0], $hypothesis->id, new Factors());
            }
        }
        self::fail('No such cause.');
    }

    /**
     * @param list<string> $symptoms
     *
     * @return non-empty-list<Hypothesis>
     */
    private static function space(array $symptoms = []): array
    {
        return HypothesisSpace::of(self::$house, Houses::rates(), new Story($symptoms));
    }
}
