<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ComplaintTrial;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** What was read before a repair and what is read after it speak of two different houses. */
final class RepairsTest extends TestCase
{
    private const REVERSED = 'line-neutral-reversed|c';

    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    public function testAProofThatReadsAsItShouldSpeaksForWhatWasRepaired(): void
    {
        $fault = Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house);
        $before = self::evidence($fault, ['plug-in-check:c.front', 'polarity-live:c.front:N-E'], []);
        $after = [...$before, ...self::evidence(null, ['polarity-live:c.front:N-E'], [self::REVERSED])];
        $lead = self::rank($after, [self::REVERSED])->suspects()[0];

        self::assertTrue($lead->lead()->hypothesis->isMended());
        self::assertStringEndsWith(', repaired', $lead->title());
        self::assertGreaterThan(0.8, $lead->probability);
    }

    public function testAProofThatFailsClearsWhatWasRepairedOrNamesASecondFault(): void
    {
        $reversed = Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house);
        $wet = Fault::at(self::$house, 'line-earth-leak', 'd', 1e4)->change(self::$house);
        $before = self::evidence($reversed->and($wet), ['plug-in-check:c.front', 'polarity-live:c.front:N-E'], []);
        $after = [...$before, ...self::evidence($wet, ['polarity-live:c.front:N-E', 'insulation:ring:L–E', 'residual-clamp:ring'], [self::REVERSED])];
        $ranking = self::rank($after, [self::REVERSED]);
        $lead = $ranking->suspects()[0];

        self::assertStringStartsWith('line-earth-leak|', $lead->lead()->hypothesis->repair, 'what is left to repair');
        self::assertStringNotContainsString('everse', $lead->title());
        self::assertGreaterThan(0.5, $lead->probability);
        self::assertSame([self::REVERSED], $ranking->repaired);

        // The same test that still reads wrong: the repair was of something else.
        $failed = [...self::evidence($reversed, ['plug-in-check:c.front', 'polarity-live:c.front:N-E'], []), ...self::evidence($reversed, ['polarity-live:c.front:N-E', 'plug-in-check:c.front'], ['open-cpc|a'])];
        self::assertGreaterThan(0.5, self::rank($failed, ['open-cpc|a'])->probability(self::REVERSED));
    }

    public function testWhatWasRepairedIsNoOneStepOfItsKindBesideASecondFault(): void
    {
        // A leak halfway between two steps of its kind, put right; an earth is open besides. The readings of before are held against both.
        $leak = 'line-earth-leak|d';
        $steps = FaultCatalogue::get('line-earth-leak')->severities();
        $truth = Fault::at(self::$house, 'line-earth-leak', 'd', sqrt($steps[3] * $steps[4]))->change(self::$house);
        $open = Fault::at(self::$house, 'open-cpc', 'ring-s-spur/E@1')->change(self::$house);
        $before = self::evidence($truth->and($open), ['insulation:ring:L–E', 'insulation-joined:ring', 'residual-clamp:ring'], []);
        $ranking = self::rank([...$before, ...self::evidence($open, ['insulation:ring:L–E', 'plug-in-check:spur.front'], [$leak])], [$leak]);
        $standings = array_column(array_map(static fn (Standing $one): array => [$one->hypothesis->id, $one], $ranking->standings), 1, 0);
        $pair = $standings[$leak.'&open-cpc|ring-s-spur/E@1'] ?? self::fail('Not among the causes.');
        foreach ([0, 1, 2] as $at) {
            self::assertEqualsWithDelta($standings[$leak]->each[$at], $pair->each[$at], 2.0, 'it explains as much beside the other as alone');
        }
    }

    public function testEachOfTwoFaultsKeepsItsOwnPlaceBetweenTheSteps(): void
    {
        // One leak at a step of its kind, the other halfway between two: what is left when the first is repaired moves with the second's severity.
        [$leak, $left] = ['line-earth-leak|d', 'line-earth-leak|l2'];
        $first = Fault::at(self::$house, 'line-earth-leak', 'd', 3e5)->change(self::$house);
        $second = Fault::at(self::$house, 'line-earth-leak', 'l2', 3e5 * sqrt(10.0 / 3.0))->change(self::$house);
        $before = self::evidence($first->and($second), ['insulation:ring:L–E', 'insulation-joined:ring', 'insulation:low:L–E'], []);
        $after = self::evidence($second, ['insulation:low:L–E', 'insulation-joined:low'], [$leak]);
        $pairs = array_values(array_filter(self::rank([...$before, ...$after], [$leak])->standings, static fn (Standing $one): bool => "$leak&$left" === $one->hypothesis->id));
        self::assertCount(1, $pairs);
        self::assertGreaterThan(-2.0, min([0.0, ...$pairs[0]->each]), 'each of the readings is as it should be');
    }

    public function testTheComplaintThatComesBackAsksForASecondFault(): void
    {
        $fault = Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house);
        $proved = [...self::evidence($fault, ['plug-in-check:c.front', 'polarity-live:c.front:N-E'], []), ...self::evidence(null, ['polarity-live:c.front:N-E'], [self::REVERSED])];
        $mended = static fn (Evidence ...$evidence): float => array_sum(array_map(static fn (Standing $standing): float => $standing->hypothesis->isMended() ? $standing->probability : 0.0, self::rank(array_values($evidence), [self::REVERSED])->standings));
        $left = static fn (Evidence ...$evidence): float => array_sum(array_map(static fn (Standing $standing): float => [] !== $standing->hypothesis->both && !$standing->hypothesis->isMended() ? $standing->probability : 0.0, self::rank(array_values($evidence), [self::REVERSED])->standings));
        $before = $mended(...$proved);

        self::assertGreaterThan($before, $mended(...[...$proved, self::tried(ComplaintTrial::GONE)]));
        $there = [...$proved, self::tried(ComplaintTrial::THERE)];
        self::assertLessThan($before - 0.2, $mended(...$there));
        // By Bayes' rule 0.85 to 0.03, each with a slip of 0.015 that may say either.
        $speaks = (0.985 * 0.85 + 0.015 * 0.5) / (0.985 * 0.03 + 0.015 * 0.5);
        self::assertEqualsWithDelta($left(...$proved) / $before * $speaks, $left(...$there) / $mended(...$there), 0.01);
    }

    public function testASecondFaultMayHaveNoNameEither(): void
    {
        // One fault that was repaired, its proof sound: where it is, what has no name leaves three readings in ten of the two and the proof as anything.
        $fault = Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house);
        $proved = [...self::evidence($fault, ['plug-in-check:c.front', 'polarity-live:c.front:N-E'], []), ...self::evidence(null, ['polarity-live:c.front:N-E'], [self::REVERSED])];
        $ranking = self::rank($proved, [self::REVERSED]);
        $mended = array_values(array_filter($ranking->standings, static fn (Standing $standing): bool => self::REVERSED === $standing->hypothesis->id))[0];
        $else = array_values(array_filter($ranking->standings, static fn (Standing $standing): bool => Hypothesis::ELSE === $standing->hypothesis->id))[0];
        $disturbed = 1.0;
        foreach ($ranking->evidence as $at => $piece) {
            $disturbed *= (0.3 * $piece->display->broad($piece->reading) + 0.7 * exp($mended->each[$at])) / exp($mended->each[$at]);
        }
        // Before all circuits in two of ten, on this one in two of the eight that four circuits share; else it leaves all three alone.
        $share = Pairs::SECOND * $else->hypothesis->prior * (0.4 * $disturbed + 0.6);
        self::assertGreaterThan(0.01, $share);
        self::assertEqualsWithDelta($share, $else->probability / $mended->probability, 0.1 * $share, 'alone it would have to make a reversed pair of two readings');

        // Asked for, it brings the complaint back as any other does: 0.85 to 0.03.
        $back = self::rank([...$proved, self::tried(ComplaintTrial::THERE)], [self::REVERSED]);
        $ratio = $back->probability(Hypothesis::ELSE) / $back->probability(self::REVERSED) / $share;
        self::assertGreaterThan(15.0, $ratio);
        self::assertLessThan(0.85 / 0.03 * 1.1, $ratio);
    }

    public function testBeforeAnyRepairAComplaintThatShowsIsNoSoundHouse(): void
    {
        $evidence = self::tried(ComplaintTrial::THERE, []);
        $prior = Ranker::rank(self::space(), [])->probability(Hypothesis::SOUND);
        self::assertLessThan(0.2 * $prior, Ranker::rank(self::space(), [$evidence])->probability(Hypothesis::SOUND));
    }

    public function testATestCanBePlannedAgainAfterARepairAndTheAdviceIsToHandOver(): void
    {
        // One leak hides another on the same ring: the measurement is worth doing again.
        $leak = 'line-earth-leak|d';
        $before = self::evidence(Fault::at(self::$house, 'line-earth-leak', 'd', 1e4)->change(self::$house), ['insulation:ring:L–E', 'insulation:ring:N–E', 'residual-clamp:ring'], []);
        $planner = new Planner(self::$house, static fn (Measurement $measurement, array $hypotheses): PredictionTable => Predictor::sketch(self::$house, $measurement, $hypotheses));
        $again = static fn (Ranking $ranking): array => array_filter($planner->next($ranking, State::resting(self::$house)), static fn (Candidate $candidate): bool => 'insulation:ring:L–E' === $candidate->plan->id);
        self::assertSame([], $again(self::rank($before, [])));
        self::assertNotSame([], $again(self::rank($before, [$leak])));

        $fault = Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house);
        $before = self::evidence($fault, ['plug-in-check:c.front', 'polarity-live:c.front:N-E'], []);
        $proofs = self::evidence(null, ['polarity-live:c.front:N-E', 'plug-in-check:c.front', 'insulation:ring:L–E', 'zs:a.front:L-E'], [self::REVERSED]);
        self::assertSame(StopAdvice::Done, Stop::advised(self::rank([...$before, ...$proofs], [self::REVERSED]), [])->advice);
    }

    public function testAPairOfWhichOneIsRepairedShowsTheOther(): void
    {
        $measurement = TestCatalogue::plans(self::$house)['insulation:ring:L–E']->measurement;
        $space = [];
        foreach (self::space() as $hypothesis) {
            $space[$hypothesis->id] = $hypothesis;
        }
        $table = Predictor::sketch(self::$house, $measurement, array_values($space));
        $pair = Hypothesis::pair($space['line-earth-leak|d'], $space[self::REVERSED], 0.01)->after(['line-earth-leak|d']);

        self::assertSame(self::REVERSED, $pair->repair);
        self::assertSame($space[self::REVERSED]->title(), $pair->title());
        self::assertSame($space[self::REVERSED]->site, $pair->site);
        foreach ($table->after(['line-earth-leak|d'])->rows($pair) as $row) {
            self::assertSame($table->sound(), $row, 'leads that are exchanged leave the insulation alone');
        }
        self::assertNotSame($table->sound(), $table->rows($pair)[0]);
        self::assertSame(['a|x', 'b|y'], Hypothesis::repairsOf('a|x|at-times&b|y'));
    }

    /**
     * @param list<Evidence> $evidence
     * @param list<string>   $repaired
     */
    private static function rank(array $evidence, array $repaired): Ranking
    {
        return Pairs::rank(self::$house, array_map(static fn (Hypothesis $hypothesis): Hypothesis => $hypothesis->after($repaired), self::space()), $evidence);
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        $few = ['sound', 'something-else', 'line-earth-leak', 'line-neutral-reversed', 'open-cpc', 'open-line'];

        $space = array_values(array_filter(HypothesisSpace::of(self::$house, Houses::rates(), new Story()), static fn (Hypothesis $hypothesis): bool => \in_array(explode('|', $hypothesis->id)[0], $few, true)));
        self::assertNotSame([], $space);

        return $space;
    }

    /** @param list<string> $repaired */
    private static function tried(string $outcome, array $repaired = [self::REVERSED]): Evidence
    {
        $trial = new ComplaintTrial();
        $measurement = new Measurement(State::resting(self::$house), $trial, Connection::around());

        return new Evidence('tried', $measurement, ReadingParser::parse($outcome, $trial), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space()), 'again', repaired: $repaired);
    }

    /**
     * @param list<string> $tests
     * @param list<string> $repaired
     *
     * @return list<Evidence>
     */
    private static function evidence(?Change $truth, array $tests, array $repaired): array
    {
        $evidence = [];
        foreach ($tests as $test) {
            $measurement = TestCatalogue::plans(self::$house)[$test]->measurement;
            $shown = (new Bench(self::$house, $measurement->state, $measurement->instrument, $measurement->connection))->read($truth);
            $evidence[] = new Evidence(\count($repaired).$test, $measurement, ReadingParser::parse(ReadingFormat::displayed($shown, $measurement->instrument), $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space()), $test, repaired: $repaired);
        }

        return $evidence;
    }
}
