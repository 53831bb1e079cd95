<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\LikelihoodResult;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Diagnosis\WorthFitting;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

final class WorthFittingTest extends TestCase
{
    public function testWhatCountsIsFittedAndTheLikeliestOfWhatMayCount(): void
    {
        // Log of prior times likelihood by a glance, and what a whole fit could find at most, for one of two severities.
        $causes = ['counts' => [-3.0, -3.0], 'may count' => [-30.0, -2.0], 'may count less' => [-30.0, -4.0], 'never' => [-30.0, -20.0]];
        $standings = $glances = [];
        foreach ($causes as $name => [$log, $most]) {
            $hypothesis = Hypothesis::fault(FaultCatalogue::all()['line-earth-leak'], new FaultSite($name, [], [], $name), 1.0)->narrowed([0, 1]);
            $standings[] = new Standing($hypothesis, $log, [], [1.0]);
            $glances[$hypothesis->stem] = [new LikelihoodResult(-50.0, [], [], []), new LikelihoodResult($log + log(2.0), [], [], [], $most + log(2.0))];
        }
        self::assertSame([0, 1, 2], array_keys(WorthFitting::of($standings, $glances, -5.0, 9)));
        self::assertSame([0, 1], array_keys(WorthFitting::of($standings, $glances, -5.0, 1)), 'the likelier of the two');
        self::assertSame([0], array_keys(WorthFitting::of($standings, $glances, -5.0, 0)));
        self::assertSame([0, 1], array_keys(WorthFitting::of($standings, $glances, -3.5, 9)));
        self::assertSame([], WorthFitting::of($standings, [], -2.5, 9), 'what was never glanced at says nothing');
    }

    public function testWhatWasDismissedBesideALeadThatIsDashedIsLookedAtAgain(): void
    {
        // A short inside the icebox draws what sags like an overload: beside straight lines another cause led for a moment, and it was never fitted.
        $house = Houses::demo('earth-leakage-unit');
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['overcurrent-trip']));
        $read = [
            'polarity-live:p-lounge.front:N-E' => '21.39', 'polarity-live:p-veranda.front:N-E' => '21.40', 'polarity-live:stove-point.front:N-E' => '14.12', 'polarity-live:p-kitchen.front:N-E' => '22.62',
            'polarity-live:p-kitchen.front:L-N' => '191.8', 'polarity-live:p-lounge.front:L-N' => '194.1', 'polarity-live:p-veranda.front:L-N' => '194.1', 'polarity-live:p-kitchen.front:L-E' => '214.6',
            'polarity-live:p-lounge.front:L-E' => '215.6', 'polarity-live:p-veranda.front:L-E' => '215.8', 'ne-under-load:p-kitchen.front:N-E' => '23.55', 'volt-drop:p-kitchen.front:L-N' => '190.3',
            'ne-under-load:p-lounge.front:N-E' => '22.82', 'volt-drop:p-lounge.front:L-N' => '191.7',
        ];
        $evidence = [];
        foreach ($read as $id => $typed) {
            $measurement = TestCatalogue::plans($house)[$id]->measurement;
            $evidence[] = new Evidence($id, $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $space), $id);
        }
        $short = 'appliance-short|icebox';
        $few = array_values(array_filter($space, static fn (Hypothesis $one): bool => \in_array($one->id, [$short, 'overload|plugs', Hypothesis::SOUND, Hypothesis::ELSE], true)));
        self::assertNotEmpty($few);
        $alone = Ranker::rank($few, $evidence);
        self::assertGreaterThan(0.2, $alone->probability($short));
        self::assertEqualsWithDelta($alone->probability($short), Ranker::rank($space, $evidence)->probability($short), 0.02, 'among all causes it counts as much');
    }
}
