<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Expectation;
use YellowProbe\Diagnosis\Fit;
use YellowProbe\Diagnosis\Forecast;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\KeptRanking;
use YellowProbe\Diagnosis\Liveness;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Specimen;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

final class RankerTest extends TestCase
{
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    /** @return iterable<string, array{string, string, float|null, list<string>, list<string>, string}> kind, site, ohms, symptoms, tests, what must lead */
    public static function hidden(): iterable
    {
        yield 'reversed pair' => ['line-neutral-reversed', 'c', null, ['none'], ['plug-in-check:c.front', 'polarity-live:c.front:N-E'], 'line-neutral-reversed|c'];
        yield 'open cpc on a lighting radial' => ['open-cpc', 'low-r2/E@1', null, ['tingle'], ['r1-r2:l1', 'r1-r2:l2'], 'open-cpc|low-r2/E@'];
        yield 'neutral touches earth' => ['neutral-earth-fault', 'c', 0.3, ['residual-trip'], ['insulation:ring:N–E', 'insulation:low:N–E', 'zs:c.front:L-N'], 'neutral-earth-fault|'];
        yield 'borrowed neutral' => ['borrowed-neutral', 'stair~up', null, ['residual-trip'], ['residual-pair:stair:low', 'residual-pair:stair:up', 'residual-pair:u1:up'], 'borrowed-neutral|stair~up'];
        yield 'joined neutrals' => ['joined-neutrals', 'low~up', 0.02, ['residual-trip'], ['residual-pair:stair:low', 'residual-pair:u1:low', 'neutral-to-neutral:low:up'], 'joined-neutrals|low~up'];
        yield 'neutral and earth exchanged' => ['neutral-earth-swapped', 'a', null, ['residual-trip'], ['residual-clamp:ring', 'r1-r2:a', 'r1-r2:b', 'plug-in-check:a.front'], 'neutral-earth-swapped|a'];
        yield 'line on the case' => ['line-earth-swapped', 'd', null, ['tingle'], ['plug-in-check:d.front', 'polarity-live:d.front:N-E', 'polarity-live:d.front:L-N'], 'line-earth-swapped|d'];
        yield 'a burnt contact' => ['accessory-contact', 'c.front-L', 3.0, ['part-dead'], ['zs:c.front:L-E', 'zs:c.front:L-N', 'zs:d.front:L-N'], 'accessory-contact|c.front-L'];
        yield 'the wrong bar' => ['neutral-wrong-bar', 'up~rcd-a-nbar', null, ['residual-trip'], ['residual-pair:u1:up', 'residual-pair:all:rcd-a', 'residual-pair:all:rcd-b', 'residual-pair:l1:low', 'neutral-to-neutral:low:up'], 'neutral-wrong-bar|up~'];
        yield 'damp fitting' => ['line-earth-leak', 'd', 1e4, ['residual-trip'], ['residual-clamp:ring', 'insulation:ring:L–E', 'insulation:ring:N–E'], 'line-earth-leak|'];
        yield 'a short behind a light' => ['line-neutral-fault', 'u2', 0.5, ['overcurrent-trip'], ['insulation:up:L–N', 'insulation:ring:L–N', 'insulation:up:L–E'], 'line-neutral-fault|'];
        yield 'a broken neutral' => ['open-neutral', 'ring-s-spur/N@2', null, ['part-dead'], ['plug-in-check:spur.front', 'polarity-live:spur.front:L-N', 'plug-in-check:b.front'], 'open-neutral|ring-s-spur/N@'];
        yield 'a broken line' => ['open-line', 'ring-s-spur/L@1', null, ['part-dead'], ['plug-in-check:spur.front', 'r1-r2:spur', 'r1-r2:b'], 'open-line|ring-s-spur/L@'];
        yield 'high-resistance joint' => ['high-resistance-joint', 'up-r2/L@2', 2.5, ['flicker'], ['r1-r2:u1', 'r1-r2:u2'], 'high-resistance-joint|up-r2/'];
    }

    /**
     * @param list<string> $symptoms
     * @param list<string> $tests
     */
    #[DataProvider('hidden')]
    public function testTheHiddenFaultComesOut(string $kind, string $site, ?float $ohms, array $symptoms, array $tests, string $leads): void
    {
        $truth = Fault::at(self::$house, $kind, $site, $ohms)->change(self::$house);
        $ranking = self::rank($truth, $tests, $symptoms);
        $named = array_values(array_filter($ranking->suspects(), static fn ($suspect): bool => Hypothesis::ELSE !== $suspect->lead()->hypothesis->id));
        $top = $named[0];

        self::assertTrue(str_starts_with($top->lead()->hypothesis->id, $leads), $top->lead()->hypothesis->id.' leads');
        // Of the causes that have a name; what has none keeps an honest share after two or three readings.
        self::assertGreaterThan(0.5, $top->probability / (1.0 - $ranking->probability(Hypothesis::ELSE)));
        self::assertNotEmpty($top->reasons());
        self::assertGreaterThan(0.0, $top->reasons()[0]['nats']);
        self::assertGreaterThan(0.0, $ranking->probability($kind.'|'.$site));
    }

    public function testABreakerOffThatStillTripsPointsAtNeutralAndEarth(): void
    {
        // The leak to line falls silent with its breaker; a contact of neutral and earth does not.
        $house = self::$house;
        $state = State::resting($house)->after(new StateChange('set', 'way1', 'off'), new StateChange('set', 'l1-sw', 'on'), new StateChange('set', 'l2-sw', 'on'), new StateChange('set', 'head', '1'));
        $watch = new Measurement($state, Instruments::get('device-watch'), Connection::around('+rcd-a/L', '+rcd-a/N'));
        $rank = static fn (string $seen): Ranking => Ranker::rank(self::space(['residual-trip']), [new Evidence('0', $watch, ReadingParser::parse($seen, $watch->instrument), static fn (): PredictionTable => Predictor::table($house, $watch, self::space(['residual-trip'])), 'Device A')]);
        [$trips, $holds] = [$rank('trips'), $rank('holds')];
        self::assertGreaterThan(3.0 * $holds->probability('borrowed-neutral|stair~up'), $trips->probability('borrowed-neutral|stair~up'));
        self::assertLessThan($holds->probability('line-earth-leak|a'), $trips->probability('line-earth-leak|a'), 'a leak of the circuit that is off');
        self::assertGreaterThan($holds->probability('line-earth-leak|l1'), $trips->probability('line-earth-leak|l1'), 'of one that is on');
    }

    public function testASoundHouseIsNotAccused(): void
    {
        $ranking = self::rank(null, ['plug-in-check:a.front', 'zs:c.front:L-E', 'r1-r2:u2', 'insulation:low:N–E', 'residual-clamp:rcd-a'], ['none']);

        self::assertSame(Hypothesis::SOUND, $ranking->suspects()[0]->lead()->hypothesis->id);
    }

    public function testTheOrderOfEntryDoesNotMatterAndProbabilitiesSumToOne(): void
    {
        $truth = Fault::at(self::$house, 'borrowed-neutral', 'stair~up')->change(self::$house);
        $evidence = self::evidence($truth, ['residual-pair:stair:low', 'residual-pair:u1:up', 'zs:a.front:L-E', 'r1-r2:c', 'r1-r2:d']);
        $one = Ranker::rank(self::space(['residual-trip']), $evidence);
        $other = Ranker::rank(self::space(['residual-trip']), array_reverse($evidence));

        self::assertEqualsWithDelta(1.0, array_sum(array_map(static fn ($standing): float => $standing->probability, $one->standings)), 1e-12);
        foreach ($one->standings as $at => $standing) {
            self::assertSame($standing->hypothesis->id, $other->standings[$at]->hypothesis->id);
            self::assertSame($standing->probability, $other->standings[$at]->probability);
        }
    }

    public function testARankingThatWasKeptIsTheRanking(): void
    {
        $evidence = self::evidence(Fault::at(self::$house, 'borrowed-neutral', 'stair~up')->change(self::$house), ['residual-pair:stair:low', 'zs:a.front:L-E']);
        $space = self::space(['residual-trip']);
        $ranking = Ranker::rank($space, $evidence);
        $kept = unserialize(serialize(KeptRanking::of($ranking)));
        self::assertInstanceOf(KeptRanking::class, $kept);
        $again = $kept->restored(self::$house, $space, array_reverse($evidence));

        self::assertEquals($ranking->standings, $again->standings);
        self::assertSame($ranking->suspects()[0]->reasons(), $again->suspects()[0]->reasons());
    }

    public function testReadingsOnOneCableShareItsLength(): void
    {
        // Every R1+R2 of the ring 25 % high: with a length that is only assumed that is one long cable, not four faults.
        $house = self::$house;
        $evidence = [];
        foreach (['a', 'b', 'c', 'd'] as $at => $point) {
            $measurement = TestCatalogue::plans($house)["r1-r2:$point"]->measurement;
            $value = 1.25 * (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read()->value;
            $evidence[] = new Evidence("$at", $measurement, ReadingParser::parse(\sprintf('%.2f', $value), $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, self::space(['none'])), $point);
        }
        $ranking = Ranker::rank(self::space(['none']), $evidence);

        self::assertSame(Hypothesis::SOUND, $ranking->suspects()[0]->lead()->hypothesis->id);
        self::assertGreaterThan(0.3, $ranking->suspects()[0]->probability);
    }

    public function testOneBlunderDoesNotDecide(): void
    {
        $house = self::$house;
        $evidence = self::evidence(null, ['r1-r2:a', 'r1-r2:b', 'r1-r2:d', 'zs:c.front:L-E', 'plug-in-check:c.front']);
        $measurement = TestCatalogue::plans($house)['r1-r2:c']->measurement;
        $evidence[] = new Evidence('9', $measurement, ReadingParser::parse('640', $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, self::space(['none'])), 'c');

        self::assertGreaterThan(0.3, Ranker::rank(self::space(['none']), $evidence)->probability(Hypothesis::SOUND) + Ranker::rank(self::space(['none']), $evidence)->probability(Hypothesis::ELSE));
    }

    public function testInformationLiesBetweenNothingAndWhatIsUnknown(): void
    {
        $space = self::space(['residual-trip']);
        $ranking = Ranker::rank($space, []);
        $unknown = 0.0;
        foreach ($ranking->standings as $standing) {
            $unknown -= $standing->probability > 0.0 ? $standing->probability * log($standing->probability, 2) : 0.0;
        }
        foreach (['plug-in-check:a.front', 'residual-pair:stair:low', 'neutral-to-neutral:low:up', 'insulation:ring:L–N'] as $id) {
            $measurement = TestCatalogue::plans(self::$house)[$id]->measurement;
            $bits = self::bits($ranking->standings, Predictor::table(self::$house, $measurement, $space), new Display($measurement->instrument));
            self::assertGreaterThanOrEqual(0.0, $bits, $id);
            self::assertLessThanOrEqual(min($unknown, 4.0), $bits, $id);
        }
    }

    public function testATestThatCannotTellTwoCausesApartIsWorthNothingAndOneThatCanIsWorthTheBit(): void
    {
        $house = self::$house;
        $space = self::space(['residual-trip']);
        $pair = array_values(array_filter(Ranker::rank($space, [])->standings, static fn ($standing): bool => \in_array($standing->hypothesis->id, ['borrowed-neutral|stair~up', 'borrowed-neutral|l2~up'], true)));
        foreach ($pair as $standing) {
            $standing->probability = 0.5;
        }
        $bits = static function (string $id) use ($house, $space, $pair): float {
            $measurement = TestCatalogue::plans($house)[$id]->measurement;

            return self::bits($pair, Predictor::table($house, $measurement, $space), new Display($measurement->instrument));
        };

        self::assertCount(2, $pair);
        self::assertEqualsWithDelta(0.0, $bits('zs:a.front:L-E'), 1e-6);
        self::assertEqualsWithDelta(0.0, $bits('neutral-to-neutral:low:up'), 1e-6);
        self::assertGreaterThan(0.85, $bits('residual-pair:stair:up'));
    }

    public function testAnExpectationFitsItsOwnReading(): void
    {
        $measurement = TestCatalogue::plans(self::$house)['zs:c.front:L-E']->measurement;
        $row = Predictor::sound(self::$house, $measurement);
        $expectation = new Expectation($row, $measurement->instrument);
        $fit = static fn (string $typed): Fit => $expectation->fit(ReadingParser::parse($typed, $measurement->instrument));

        self::assertSame(Fit::Fits, $fit($expectation->text()));
        self::assertSame(Fit::Off, $fit('19.2'));
        self::assertSame(Fit::Off, $fit('OL'));
        self::assertStringContainsString(' to ', $expectation->range());
    }

    public function testTheMapNeverSaysDead(): void
    {
        $house = self::$house;
        $ranking = Ranker::rank(self::space(['residual-trip']), self::evidence(Fault::at($house, 'borrowed-neutral', 'stair~up')->change($house), ['residual-pair:stair:low', 'residual-pair:stair:up']));
        $on = [new StateChange('set', 'foot', '1'), new StateChange('set', 'head', '1')];
        $state = State::resting($house)->after(...$on, ...[new StateChange('set', 'way3', 'off'), new StateChange('lift', 'up-r1/N@1')]);
        $live = Liveness::of($house, $state, $ranking);

        self::assertSame([], array_diff(array_unique($live), [Liveness::LIVE, Liveness::MAY_BE_LIVE, Liveness::EXPECTED_DEAD]));
        self::assertSame(Liveness::LIVE, $live['a.L']);
        self::assertSame(Liveness::EXPECTED_DEAD, $live['u1.E']);
        // A line that floats beside a live neutral takes volts from it: no more than "may be", and no less.
        self::assertSame(Liveness::MAY_BE_LIVE, $live['u1.L']);
        // The neutral of the circuit that is off comes live through the lamp that borrows it.
        self::assertSame(Liveness::MAY_BE_LIVE, $live['u1.N']);
        self::assertSame(Liveness::MAY_BE_LIVE, $live['up-r1/N@1']);
    }

    public function testTheFormsOfOneCauseAreCountedTogetherForWhatMayBeLive(): void
    {
        $house = self::$house;
        $state = State::resting($house)->after(new StateChange('set', 'foot', '1'), new StateChange('set', 'head', '1'), new StateChange('set', 'way3', 'off'), new StateChange('lift', 'up-r1/N@1'));
        $live = static function (float $each) use ($house, $state): string {
            $standings = [];
            foreach (self::space(['residual-trip']) as $hypothesis) {
                if (\in_array($hypothesis->id, ['sound', 'borrowed-neutral|stair~up', 'borrowed-neutral|stair~up|at-times'], true)) {
                    $standing = new Standing($hypothesis, 0.0, [], $hypothesis->intermittent ? [0.2, 0.8] : [1.0]);
                    $standing->probability = 'sound' === $hypothesis->id ? 1.0 - 2.0 * $each : $each;
                    $standings[] = $standing;
                }
            }
            self::assertCount(3, $standings);

            return Liveness::of($house, $state, new Ranking($standings, []))['u1.N'];
        };
        self::assertSame(Liveness::MAY_BE_LIVE, $live(0.006), 'six and six in a thousand are more than one in a hundred');
        self::assertSame(Liveness::EXPECTED_DEAD, $live(0.004));
    }

    /**
     * @param list<string> $symptoms
     *
     * @return non-empty-list<Hypothesis>
     */
    private static function space(array $symptoms): array
    {
        return HypothesisSpace::of(self::$house, Houses::rates(), new Story($symptoms));
    }

    /**
     * @param list<string> $tests
     *
     * @return list<Evidence> with a tester's noise
     */
    private static function evidence(?Change $truth, array $tests): array
    {
        $evidence = [];
        foreach ($tests as $at => $id) {
            $measurement = TestCatalogue::plans(self::$house)[$id]->measurement;
            $shown = (new Bench(self::$house, $measurement->state, $measurement->instrument, $measurement->connection))->read($truth);
            $typed = (new Specimen($measurement->instrument, 100 + $at))->display($shown);
            $evidence[] = new Evidence("$at", $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space(['none'])), $id);
        }

        return $evidence;
    }

    /**
     * @param list<string> $tests
     * @param list<string> $symptoms
     */
    private static function rank(?Change $truth, array $tests, array $symptoms): Ranking
    {
        return Ranker::rank(self::space($symptoms), self::evidence($truth, $tests));
    }

    /** @param list<Standing> $standings */
    private static function bits(array $standings, PredictionTable $table, Display $display): float
    {
        $beliefs = Beliefs::of($standings);

        return Forecast::of($beliefs, $table, $display, false)->bits($beliefs);
    }
}
