<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Three times what other customers were taken to put on the neutral: a cause is where its readings are there, too. */
final class FarFromTheSurveyTest extends TestCase
{
    private const TESTS = ['polarity-live:p-lounge.front:N-E', 'polarity-live:p-kitchen.front:N-E', 'polarity-live:p-veranda.front:N-E', 'cpc-current:geyser', 'residual-clamp:geyser'];

    public function testACauseThatStopsTheAmpsIsReadWithoutTheirNoise(): void
    {
        // 12.7 A pass through the jaw of the sound house; with the line open none, and the same 0.08 mA of the cable.
        $house = Houses::demo('earth-leakage-unit');
        $hypotheses = array_values(array_filter(HypothesisSpace::of($house, Houses::rates()), static fn (Hypothesis $one): bool => \in_array($one->id, [Hypothesis::SOUND, 'open-line|geyser-r1/L@2'], true)));
        $measurement = TestCatalogue::plans($house)['residual-clamp:geyser']->measurement;
        $table = Predictor::table($house, $measurement, $hypotheses);
        [$sound, $open] = [$table->sound(), $table->rows($hypotheses[1])[0]];
        self::assertEqualsWithDelta($sound->shown->value, $open->shown->value, 1e-7);
        self::assertGreaterThan(12.0, $sound->shown->through);
        self::assertLessThan(0.01, $open->shown->through);
        self::assertGreaterThan(100.0 * $open->sigma, $sound->sigma);
    }

    public function testAContactOfNeutralAndEarthIsFoundWhereMuchComesFromOutside(): void
    {
        $house = Houses::demo('earth-leakage-unit');
        $hypotheses = HypothesisSpace::of($house, Houses::rates());
        $evidence = [];
        foreach (self::TESTS as $at => $test) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, new Factors([Factors::OUTSIDE => 3.0 * Factors::SPREADS[Factors::OUTSIDE]])))->read(self::fault($house)->change($house));
            $reading = ReadingParser::parse(ReadingFormat::displayed($shown, $measurement->instrument), $measurement->instrument);
            $evidence[] = new Evidence((string) $at, $measurement, $reading, static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses), $test);
        }
        $standings = Ranker::rank($hypotheses, $evidence)->standings;

        self::assertSame('neutral-earth-fault|geyser-tank', $standings[0]->hypothesis->id);
        $share = static fn (string $end): float => array_sum(array_map(static fn (Standing $standing): float => str_contains($standing->hypothesis->id, $end) ? $standing->probability : 0.0, $standings));
        self::assertGreaterThan(0.28, $share('neutral-earth-fault|geyser-tank'), 'the neutral end of its element would read much the same');
        self::assertGreaterThan(0.8, $share('geyser-tank'), 'a leak of the line of some 50 Ω there would read as much');
        self::assertLessThan(0.15, $share('something-else'));
        $severity = $standings[0]->likeliestSeverity();
        foreach ($evidence as $at => $piece) {
            $row = $piece->table()->rows($standings[0]->hypothesis)[$severity];
            self::assertGreaterThan(0.25, $row->moves[Factors::OUTSIDE], 'a cause far from the sound house moves as it does itself');
            // The best that a reading can be is to lie where the row is.
            $display = new Display($piece->measurement->instrument);
            $there = new Row(Shown::value($piece->reading->value), $display->z($piece->reading->value), $row->sigma, []);
            self::assertGreaterThan((new Likelihood([new Evidence('x', $piece->measurement, $piece->reading, static fn (): PredictionTable => PredictionTable::of(['sound' => [$there]]), 'there')]))->sound()->log - 2.0, $standings[0]->each[$at], $piece->where);
        }
    }

    public function testWhatAClampShowsIsFarWhereItsNoiseIsNot(): void
    {
        // 0.1 mA with 30 mA of noise from what flows through the jaw: 40 mA are near, 1.5 A are not; of a factor ten times more is as far as ten times less.
        $display = new Display(Instruments::get('leakage-clamp'));
        $noisy = new Row(Shown::value(1e-4), $display->z(1e-4), 0.03 / hypot(1e-4, $display->unit), []);
        self::assertEqualsWithDelta(1.33, $noisy->off($display->z(0.04)) / $noisy->deviation(), 0.02);
        self::assertEqualsWithDelta(50.0, $noisy->off($display->z(1.5)) / $noisy->deviation(), 0.1);
        self::assertEqualsWithDelta($display->z(0.0601), $noisy->place(2.0 * $noisy->deviation()), 1e-3);
        $moved = new Row(Shown::value(0.1), $display->z(0.1), 0.01, ['leakage' => 0.5]);
        self::assertEqualsWithDelta(-$moved->off($display->z(0.01)), $moved->off($display->z(1.0)), 1e-4);
        self::assertSame(0.0, $moved->place(-100.0));
    }

    public function testALengthFarBeyondEverythingStillHasADensityAndAPull(): void
    {
        foreach ([0.0, 3.0, 40.0, 500.0] as $deviations) {
            self::assertTrue(is_finite(Factors::logDensity($deviations, 3.0)));
        }
        // Measured: (0.9 + 0.1/3)·… at 0; not what it was taken for: one ninth of the pull.
        self::assertEqualsWithDelta(log(0.9 + 0.1 / 3.0), Factors::logDensity(0.0, 3.0), 1e-12);
        self::assertEqualsWithDelta((0.9 + 0.1 / 27.0) / (0.9 + 0.1 / 3.0), Factors::pull(0.0, 3.0), 1e-12);
        self::assertEqualsWithDelta(1.0 / 9.0, Factors::pull(500.0, 3.0), 1e-12);
    }

    public function testACauseWhoseReadingsLieFarFromTheSoundHouseIsFittedBeforeItIsDismissed(): void
    {
        // Less from outside than was thought, and a leak of 18.8 kΩ, between two of the severities that are worked out.
        $house = Houses::demo('rod-and-outbuilding');
        $hypotheses = HypothesisSpace::of($house, Houses::rates());
        $kind = FaultCatalogue::all()['line-earth-leak'];
        $site = array_values(array_filter($kind->sites($house), static fn (FaultSite $site): bool => 'pump-box' === $site->id))[0];
        $spreads = Factors::spreads($house);
        $factors = new Factors([Factors::OUTSIDE => -1.2 * $spreads[Factors::OUTSIDE], 'supply' => -0.75 * $spreads['supply'], 'volts' => 0.9 * $spreads['volts']]);
        $evidence = [];
        foreach (['polarity-live:bench.left:N-E', 'zs:bench.left:L-E', 'ne-under-load:bench.right:N-E', 'residual-clamp:rcd', 'residual-clamp:shed-way'] as $at => $test) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, $factors))->read($kind->change($house, $site, 1.88e4));
            $reading = ReadingParser::parse(ReadingFormat::displayed($shown, $measurement->instrument), $measurement->instrument);
            $evidence[] = new Evidence((string) $at, $measurement, $reading, static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses), $test);
        }
        $ranking = Ranker::rank($hypotheses, $evidence);
        self::assertSame('line-earth-leak', $ranking->suspects()[0]->lead()->hypothesis->kind?->slug());
        self::assertGreaterThan(50.0 * $ranking->probability('sound'), $ranking->probability('line-earth-leak|pump-box'));
    }

    public function testWhatTheSoundHousePaysForItsFactorsIsNotChargedToACause(): void
    {
        // An open neutral floats at 150 V, which the sound house takes for a supply far from itself; less volts than was thought, and a tester that reads low.
        $house = Houses::demo('rod-and-outbuilding');
        $hypotheses = HypothesisSpace::of($house, Houses::rates(), new Story(['part-dead']));
        $fault = Fault::at($house, 'open-neutral', 'bench-1/N@2')->change($house);
        $factors = new Factors(['volts' => -0.02]);
        $evidence = [];
        foreach (['plug-in-check:bench.left', 'polarity-live:bench.left:L-N', 'polarity-live:bench.right:L-N', 'polarity-live:bench.left:N-E'] as $at => $test) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, $factors))->read($fault);
            $reading = ReadingParser::parse(ReadingFormat::displayed($shown, $measurement->instrument), $measurement->instrument);
            $evidence[] = new Evidence((string) $at, $measurement, $reading, static fn (): PredictionTable => Predictor::table($house, $measurement, $hypotheses), $test);
        }
        $likelihood = new Likelihood($evidence);
        $place = static fn (string $id): array => array_filter(array_map(static fn (Evidence $piece): int => $piece->table()->places(array_values(array_filter($hypotheses, static fn (Hypothesis $one): bool => $one->id === $id))[0])[0], $evidence));
        foreach (['open-neutral|bench-1/N@2', 'open-neutral|bench-1/N@1', 'open-neutral|to-shed/N@2'] as $id) {
            $whole = $likelihood->of($place($id))->log;
            self::assertGreaterThan($likelihood->sound()->log + 15.0, $whole);
            self::assertGreaterThan($whole - 3.0, $likelihood->near($place($id))->most, $id);
        }
        $ranking = Ranker::rank($hypotheses, $evidence);
        self::assertGreaterThan(0.2, $ranking->probability('open-neutral|bench-1/N@2'));
        self::assertLessThan(0.5, $ranking->probability('open-neutral|to-shed/N@1'));
    }

    public function testWhatStraightLinesLeaveUnsaidOfACauseWidensItsRow(): void
    {
        // Neutral and earth exchanged: the load's amps pass through the rod, and volts there are a matter of shares.
        $house = Houses::demo('rod-and-outbuilding');
        $measurement = TestCatalogue::plans($house)['ne-under-load:bench.left:N-E']->measurement;
        $hypotheses = array_values(array_filter(HypothesisSpace::of($house, Houses::rates()), static fn (Hypothesis $one): bool => \in_array($one->id, [Hypothesis::SOUND, 'neutral-earth-swapped|bench'], true)));
        $swapped = $hypotheses[1];
        $display = new Display($measurement->instrument);
        $table = Predictor::table($house, $measurement, $hypotheses);
        $change = $swapped->changes($house)[0] ?? throw new \LogicException('It changes nothing.');
        $spreads = Factors::spreads($house);
        /** @param array<string, float> $off */
        $far = static function (Change $change, Row $row, array $off) use ($house, $measurement, $display, $spreads): float {
            $logs = [];
            $straight = $row->z;
            foreach ($off as $factor => $deviations) {
                $logs[$factor] = $deviations * $spreads[$factor];
                $straight += $deviations * ($row->moves[$factor] ?? 0.0);
            }
            $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, new Factors($logs)))->read($change);

            return abs($display->z($shown->value) - $straight) / $row->sigma;
        };
        self::assertLessThan(0.009, $table->sound()->sigma);
        self::assertGreaterThan(0.01, $table->rows($swapped)[0]->sigma, 'where the tester is surer, at seventy times the volts');
        self::assertLessThan(3.5, $far($change, $table->rows($swapped)[0], ['load' => 1.5, 'supply' => -1.5]));
        self::assertLessThan(3.5, $far($change, $table->rows($swapped)[0], ['load' => -1.5, 'supply' => 1.5]));
    }

    private static function fault(House $house): Fault
    {
        $kind = FaultCatalogue::all()['neutral-earth-fault'];
        foreach ($kind->sites($house) as $site) {
            if ('geyser-tank' === $site->id) {
                return new Fault($kind, $site, 2.0);
            }
        }
        self::fail('The house has no geyser.');
    }
}
