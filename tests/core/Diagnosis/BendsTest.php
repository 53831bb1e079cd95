<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\Noise;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** A reading is no straight line in what is uncertain: two and three deviations are where the second difference says. */
final class BendsTest extends TestCase
{
    public function testTheReadingFarFromTheSurveyIsWhereTheTableSaysWithinTheTestersOwnWandering(): void
    {
        $house = Houses::demo('rod-and-outbuilding');
        $spreads = Factors::spreads($house);
        $worst = $straightest = 0.0;
        foreach (['ne-under-load:bench.left:N-E', 'zs:bench.left:L-N', 'volt-drop:bench.left:L-N'] as $test) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            // Prepared for a whole catalogue, which reads what bends otherwise than for one row.
            $table = Predictor::table($house, $measurement, HypothesisSpace::of($house, Houses::rates()));
            $sound = $table->sound();
            $display = new Display($measurement->instrument);
            foreach ([['outside' => 1.9, 'supply' => -1.5], ['outside' => -2.0, 'supply' => 2.0], ['supply' => -2.0, 'length:shed-sockets' => 1.0]] as $deviations) {
                $straight = $sound->z;
                foreach ($deviations as $factor => $deviation) {
                    $straight += ($sound->moves[$factor] ?? 0.0) * $deviation;
                }
                $bent = $straight;
                foreach ($table->bends as [$one, $other, $bend]) {
                    [$a, $b] = [$deviations[$one] ?? 0.0, $deviations[$other] ?? 0.0];
                    $bent += $one === $other ? 0.5 * $bend * ($a ** 2 - $a) : $bend * $a * $b;
                }
                $logs = [];
                foreach ($deviations as $factor => $deviation) {
                    $logs[$factor] = $spreads[$factor] * $deviation;
                }
                $place = $display->z((new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, new Factors($logs)))->read()->value);
                $worst = max($worst, abs($bent - $place) / $sound->sigma);
                $straightest = max($straightest, abs($straight - $place) / $sound->sigma);
            }
        }
        self::assertLessThan(2.5, $worst);
        self::assertGreaterThan(10.0, $straightest, 'else nothing would have to be bent');
    }

    public function testWhatBendsIsIntegratedAsASumOverTheFactorsDoes(): void
    {
        // Two readings on two factors, one of them bent by each and by both: compare with a sum over a grid of both.
        $display = new Display(Instruments::get('low-ohm'));
        $row = new Row(Shown::value(0.5), $display->z(0.5), 0.05, ['length' => 0.2, 'gain' => 0.15]);
        $bends = [['length', 'length', 0.08], ['gain', 'gain', -0.05], ['length', 'gain', 0.06]];
        foreach ([['0.78', '0.80'], ['0.40', '0.38'], ['0.55', '0.50']] as $typed) {
            $evidence = array_map(static fn (string $shown): Evidence => self::evidence($shown, $row, $bends), $typed);
            $sum = 0.0;
            for ($i = -60; $i <= 60; ++$i) {
                for ($j = -60; $j <= 60; ++$j) {
                    [$a, $b] = [$i / 12.0, $j / 12.0];
                    $place = $row->z + 0.2 * $a + 0.15 * $b + 0.5 * 0.08 * ($a ** 2 - $a) - 0.5 * 0.05 * ($b ** 2 - $b) + 0.06 * $a * $b;
                    $product = exp(-0.5 * ($a ** 2 + $b ** 2)) / (2.0 * \M_PI) / 144.0;
                    foreach ($evidence as $piece) {
                        [$low, $high] = $display->cell($piece->reading);
                        $product *= (1 - Likelihood::BLUNDER) * Noise::ofTester(sinh($low), sinh($high), $place, 0.05) + Likelihood::BLUNDER * $display->broad($piece->reading);
                    }
                    $sum += $product;
                }
            }

            self::assertEqualsWithDelta(log($sum), (new Likelihood($evidence))->sound()->log, 0.15, implode(' ', $typed));
        }
    }

    public function testARowFarFromTheSoundHouseIsStraight(): void
    {
        $display = new Display(Instruments::get('low-ohm'));
        $near = new Row(Shown::value(0.5), $display->z(0.5), 0.05, ['length' => 0.2]);
        $far = new Row(Shown::value(500.0), $display->z(500.0), 0.05, ['length' => 0.2]);
        $straight = (new Likelihood([self::evidence('620', $near, [], $far)]))->of([1])->log;
        $bent = (new Likelihood([self::evidence('620', $near, [['length', 'length', 0.08]], $far)]))->of([1])->log;

        self::assertEqualsWithDelta($straight, $bent, 1e-3);
    }

    /** @param list<array{string, string, float}> $bends */
    private static function evidence(string $typed, Row $sound, array $bends, Row ...$others): Evidence
    {
        $instrument = Instruments::get('low-ohm');
        $table = PredictionTable::of([Hypothesis::SOUND => [$sound], 'others' => array_values($others)], ['length' => 1.0, 'gain' => 1.0], $bends);

        return new Evidence($typed, new Measurement(State::fromArray([]), $instrument, Connection::leads('a', "b at $typed")), ReadingParser::parse($typed, $instrument), static fn (): PredictionTable => $table, 'somewhere');
    }
}
