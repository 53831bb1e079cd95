<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\LikelihoodResult;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\WorthFitting;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;

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
}
