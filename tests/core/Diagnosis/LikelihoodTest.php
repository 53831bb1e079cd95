<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Exposure;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\Normal;
use YellowProbe\Diagnosis\Outcomes;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;

final class LikelihoodTest extends TestCase
{
    public function testOneReadingWithoutFactorsIsTheCellOfItsDisplay(): void
    {
        // Predicted 0.50 Ω with a spread that is new each time; typed 0.52: the cell is 0.515 … 0.525.
        $display = new Display(Instruments::get('low-ohm'));
        $row = new Row(Shown::value(0.5), $display->z(0.5), 0.04, []);
        // 0.04 on the line is 0.04 · √(0.5² + c²) in ohms there, c being the unit of the display.
        $ohms = 0.04 * hypot(0.5, $display->unit);
        $cell = Normal::between((0.515 - 0.5) / $ohms, (0.525 - 0.5) / $ohms);
        $evidence = self::evidence('low-ohm', '0.52', Likelihood::BLUNDER, null, $row);
        $expected = log((1 - Likelihood::BLUNDER) * $cell + Likelihood::BLUNDER * $display->broad($evidence->reading));

        self::assertEqualsWithDelta($expected, (new Likelihood([$evidence]))->of([1])->log, 1e-9);
    }

    public function testASharedFactorIsIntegratedAsASumOverItDoes(): void
    {
        // Readings move together with one factor; compare Laplace with a sum over the factor in 4,000 steps. A wild reading beside
        // them draws the factor nowhere: the others are still explained by it.
        $display = new Display(Instruments::get('low-ohm'));
        foreach ([['0.62', '0.63'], ['0.50', '0.51'], ['0.56', '0.50'], ['0.42', '0.93'], ['0.41', '0.42', '0.93'], ['0.72', '0.76', '0.60', '0.27', '0.71']] as $typed) {
            $rows = array_map(static fn (int $at): Row => new Row(Shown::value(0.5 + 0.01 * $at), $display->z(0.5 + 0.01 * $at), 0.03, ['length' => 0.2]), array_keys($typed));
            $evidence = array_map(static fn (string $shown, Row $row): Evidence => self::evidence('low-ohm', $shown, Likelihood::BLUNDER, null, $row), $typed, $rows);
            $sum = 0.0;
            for ($step = -2000; $step <= 2000; ++$step) {
                $theta = $step / 400.0;
                $product = exp(-$theta ** 2 / 2.0) / sqrt(2.0 * \M_PI) / 400.0;
                foreach ($rows as $at => $row) {
                    [$low, $high] = $display->cell($evidence[$at]->reading);
                    $moved = sinh($row->z + 0.2 * $theta);
                    $scale = 0.03 * hypot(1.0, $moved);
                    $product *= (1 - Likelihood::BLUNDER) * Normal::between((sinh($low) - $moved) / $scale, (sinh($high) - $moved) / $scale) + Likelihood::BLUNDER * $display->broad($evidence[$at]->reading);
                }
                $sum += $product;
            }

            self::assertEqualsWithDelta(log($sum), (new Likelihood($evidence))->of(array_fill(0, \count($rows), 1))->log, 0.12, implode(' ', $typed));
        }
    }

    public function testACauseBesideTheFitOfTheSoundHouseIsWhatTheWholeFitSays(): void
    {
        // Five readings on two factors; the cause changes two of them: one's place, the other's place and slope.
        $display = new Display(Instruments::get('low-ohm'));
        $row = static fn (float $ohms, float $length, float $gain): Row => new Row(Shown::value($ohms), $display->z($ohms), 0.03, ['length' => $length, 'gain' => $gain]);
        $typed = ['0.56', '0.48', '0.75', '1.12', '0.33'];
        $ohms = [0.5, 0.45, 0.7, 1.0, 0.3];
        $other = [[$row(0.6, 0.15, 0.05)], [$row(0.47, 0.15, 0.05)], [$row(0.7, 0.15, 0.05)], [$row(1.05, 0.02, 0.09)], []];
        $evidence = array_map(static fn (string $shown, float $value, array $others): Evidence => self::evidence('low-ohm', $shown, Likelihood::BLUNDER, $row($value, 0.15, 0.05), ...$others, ...[$row(2.0 * $value, 0.01, 0.01)]), $typed, $ohms, $other);
        $likelihood = new Likelihood($evidence);

        foreach ([[], [1 => 1], [0 => 1, 3 => 1]] as $apart) {
            self::assertEqualsWithDelta($likelihood->of($apart)->log, $likelihood->near($apart)->log, 0.12);
        }
        // What four readings contradict is not likely beside the fit either.
        $far = [2, 2, 2, 2];
        self::assertLessThan($likelihood->sound()->log - 8.0, $likelihood->near($far)->log);
        self::assertLessThan($likelihood->sound()->log - 8.0, $likelihood->of($far)->log);
    }

    public function testWhatAllReadingsShareIsPaidForOnceByACauseThatChangesThemAll(): void
    {
        // Ten readings some two and a half deviations of the one factor away; the cause shows two hundredths more than the sound house in each.
        $display = new Display(Instruments::get('low-ohm'));
        $row = static fn (float $ohms): Row => new Row(Shown::value($ohms), $display->z($ohms), 0.03, ['length' => 0.2]);
        $typed = ['0.80', '0.81', '0.79', '0.80', '0.82', '0.80', '0.81', '0.80', '0.79', '0.81'];
        $likelihood = new Likelihood(array_map(static fn (string $shown): Evidence => self::evidence('low-ohm', $shown, Likelihood::BLUNDER, $row(0.5), $row(0.51), $row(5.0)), $typed));
        $alike = array_fill(0, 10, 1);

        self::assertEqualsWithDelta($likelihood->of($alike)->log, $likelihood->near($alike)->log, 0.12);
        self::assertEqualsWithDelta($likelihood->sound()->log, $likelihood->near($alike)->log, 1.0);
        self::assertLessThan($likelihood->sound()->log - 16.0, $likelihood->near(array_fill(0, 10, 2))->log);
        // What could be hoped for is about what is there, though at a glance each pays for the factor by itself.
        self::assertGreaterThan($likelihood->of($alike)->log - 3.0, $likelihood->sound()->log + $likelihood->hope($alike));
        $glanced = $likelihood->glanced($alike, $likelihood->hope($alike));
        self::assertLessThan($likelihood->of($alike)->log - 10.0, $glanced->log);
        self::assertEqualsWithDelta($likelihood->sound()->log + $likelihood->hope($alike), $glanced->most, 1e-9, 'what it is worth looking at again for');
        self::assertLessThan(-16.0, $likelihood->hope(array_fill(0, 10, 2)));
        // By a glance as much is given back as the sound house gains by what the readings say of the factor together.
        self::assertGreaterThan($likelihood->hope($alike) - 1.0, $likelihood->guess($alike));
        self::assertLessThan(-16.0, $likelihood->guess(array_fill(0, 10, 2)));
        self::assertSame([0.0, 0.0], [$likelihood->hope([]), $likelihood->guess([])]);
    }

    public function testWhatACauseHardlyChangesStaysWhereTheSoundHouseHasIt(): void
    {
        // Nine readings that the cause changes by a thousandth, and one that it changes by a fifth: the fit of the one is the whole of it.
        $display = new Display(Instruments::get('low-ohm'));
        $row = static fn (float $ohms): Row => new Row(Shown::value($ohms), $display->z($ohms), 0.03, ['length' => 0.2]);
        $likelihood = new Likelihood(array_map(static fn (string $shown): Evidence => self::evidence('low-ohm', $shown, Likelihood::BLUNDER, $row(0.5), $row(0.5005), $row(0.6)), ['0.51', '0.50', '0.49', '0.50', '0.51', '0.50', '0.50', '0.49', '0.50', '0.52']));
        $all = [9 => 2] + array_fill(0, 9, 1);
        $near = $likelihood->near($all);
        self::assertEqualsWithDelta($likelihood->of($all)->log, $near->log, 0.25);
        self::assertLessThan($likelihood->sound()->log - 2.0, $near->log);
        self::assertEqualsWithDelta($likelihood->of($all)->each[9], $near->each[9], 0.1, 'each reading at its place');
        self::assertEqualsWithDelta($likelihood->of(array_fill(0, 10, 1))->log, $likelihood->near(array_fill(0, 10, 1))->log, 0.05);
    }

    public function testWhatACauseLeavesAloneMayBeNoSlipBesideIt(): void
    {
        // Beside the sound house the length is two deviations up and the last two are slips; a cause that reads high where the others
        // do needs no such length, and they are none.
        $display = new Display(Instruments::get('low-ohm'));
        $row = static fn (float $ohms): Row => new Row(Shown::value($ohms), $display->z($ohms), 0.01, ['length' => 0.2]);
        $evidence = array_map(static fn (string $typed): Evidence => self::evidence('low-ohm', $typed, Likelihood::BLUNDER, $row(0.5), $row(0.74)), ['0.74', '0.74', '0.75', '0.50', '0.50']);
        $likelihood = new Likelihood($evidence);
        $apart = [1, 1, 1];
        $gained = $likelihood->of($apart)->log - $likelihood->sound()->log;
        self::assertLessThan(-8.0, $likelihood->sound()->each[3] + $likelihood->sound()->each[4], 'slips');
        self::assertGreaterThan(6.0, $gained);
        self::assertGreaterThan($gained - 1.0, $likelihood->hope($apart), 'no less is hoped for than it comes to');
    }

    public function testADoubtedReadingHasTheSayOfOneThatMayBeASlip(): void
    {
        $display = new Display(Instruments::get('low-ohm'));
        $good = new Row(Shown::value(0.5), $display->z(0.5), 0.03, []);
        $bad = new Row(Shown::value(5.0), $display->z(5.0), 0.03, []);
        $against = static function (float $blunder) use ($good, $bad): float {
            $likelihood = new Likelihood([self::evidence('low-ohm', '0.50', $blunder, null, $good, $bad)]);

            return $likelihood->of([1])->log - $likelihood->of([2])->log;
        };
        self::assertGreaterThan(5.0, $against(Likelihood::BLUNDER));
        self::assertLessThan($against(Likelihood::BLUNDER) - 3.0, $against(Likelihood::DOUBTED));
        self::assertEqualsWithDelta(0.0, $against(1.0), 1e-9, 'a certain slip says nothing');
    }

    public function testReadingsLeaveLessOfAFactorThanTherewas(): void
    {
        $display = new Display(Instruments::get('low-ohm'));
        $row = new Row(Shown::value(0.5), $display->z(0.5), 0.03, ['length' => 0.2]);
        $one = (new Likelihood([self::evidence('low-ohm', '0.55', Likelihood::BLUNDER, null, $row)]))->of([1])->spread()['length'];
        $two = (new Likelihood([self::evidence('low-ohm', '0.55', Likelihood::BLUNDER, null, $row), self::evidence('low-ohm', '0.56', Likelihood::BLUNDER, null, $row)]))->of([1, 1])->spread()['length'];

        self::assertLessThan(0.25, $one);
        self::assertLessThan($one, $two);
    }

    public function testOutcomesSumToOneAndOverRangeIsAllBeyondTheTop(): void
    {
        $display = new Display(Instruments::get('insulation-tester'));
        $low = new Row(Shown::value(1e6), $display->z(1e6), 0.05, []);
        $over = new Row(Shown::over(5e11), $display->z(5e11), 0.05, []);
        $outcomes = new Outcomes($display, [$low, $over], []);
        foreach ([$outcomes->of($low), $outcomes->of($over), $outcomes->broad()] as $probabilities) {
            self::assertEqualsWithDelta(1.0, array_sum($probabilities), 1e-9);
            self::assertSame([], array_filter($probabilities, static fn (float $p): bool => $p < 0.0));
        }
        $cells = \count($outcomes->broad());
        self::assertGreaterThan(0.95, $outcomes->of($over)[$cells - 2]);
        self::assertLessThan(0.02, $outcomes->of($low)[$cells - 2]);
    }

    public function testTheDisplayLineKeepsOrderAndItsCellsMeet(): void
    {
        foreach (['low-ohm', 'insulation-tester', 'leakage-clamp', 'voltmeter-high-z'] as $slug) {
            $display = new Display(Instruments::get($slug));
            $last = -1.0;
            foreach ([0.0, 1e-6, 1e-3, 0.5, 3.0, 80.0, 500.0] as $value) {
                self::assertGreaterThan($last, $last = $display->z($value));
            }
            self::assertLessThan($display->z(1e12), $display->top);
        }
        $display = new Display(Instruments::get('low-ohm'));
        $cell = static fn (string $typed): array => $display->cell(ReadingParser::parse($typed, Instruments::get('low-ohm')));
        self::assertEqualsWithDelta($cell('0.52')[1], $cell('0.53')[0], 1e-12);
        self::assertSame(\INF, $cell('OL')[1]);
        self::assertSame(-\INF, $cell('0.00')[0]);
        // Fewer decimals typed hide more: "0.5" can be anything from 0.45 to 0.55.
        self::assertLessThan($cell('0.50')[0], $cell('0.5')[0]);
    }

    /** @param Row ...$others rows of the table behind the sound one's */
    private static function evidence(string $slug, string $typed, float $blunder = Likelihood::BLUNDER, ?Row $sound = null, Row ...$others): Evidence
    {
        $instrument = Instruments::get($slug);
        $table = PredictionTable::of([Hypothesis::SOUND => [$sound ?? new Row(Shown::value(0.5), 0.0, 1.0, [])], 'others' => array_values($others)], ['length' => 1.0, 'gain' => 1.0]);

        return new Evidence($typed, new Measurement(State::fromArray([]), $instrument, Connection::leads('a', "b at $typed")), ReadingParser::parse($typed, $instrument), static fn (): PredictionTable => $table, 'somewhere', new Exposure(), $blunder);
    }
}
