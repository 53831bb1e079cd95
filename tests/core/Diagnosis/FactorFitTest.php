<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\LikelihoodResult;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Where factors lie far from the survey they are found all the same. */
final class FactorFitTest extends TestCase
{
    /** A leg that is low and one that is high: the supply is low, and the neighbours lift its neutral. */
    private const VOLTS = [['polarity-live:counter-l.lower:L-E', '109.8'], ['polarity-live:counter-r.lower:L-N', '124.9'], ['polarity-live:yard.lower:L-N', '109.8'], ['polarity-live:bath.front:N-E', '0.03'], ['rcd-times:way5:1:far', '161']];

    public function testAReadingThatHasNothingToDoWithTheVoltsMakesNoSlipsOfThem(): void
    {
        $house = Houses::demo('panel-with-multiwire');
        $volts = self::sound($house, self::VOLTS);
        foreach ($volts->each as $nats) {
            self::assertGreaterThan(-5.0, $nats, 'all are explained together');
        }

        $more = self::sound($house, [...self::VOLTS, ['cpc-current:den-lights:den.bottom', '0.00']]);
        self::assertGreaterThan($volts->log - 6.0, $more->log, 'one more costs no more than it would alone');
        self::assertLessThan($volts->log, $more->log);
    }

    /** @param list<array{string, string}> $readings */
    private static function sound(House $house, array $readings): LikelihoodResult
    {
        $evidence = [];
        foreach ($readings as $at => [$test, $typed]) {
            $measurement = TestCatalogue::plans($house)[$test]->measurement;
            $evidence[] = new Evidence("$at", $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, [Hypothesis::sound(1.0)]), $test);
        }

        return (new Likelihood($evidence))->sound();
    }
}
