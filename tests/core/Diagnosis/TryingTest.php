<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Diagnosis\Trying;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Place;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** What is done instead of one more test. */
final class TryingTest extends TestCase
{
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::demo('wicket-lane');
    }

    public function testAnApplianceThatHoldsTwoThirdsIsTakenOutOfUse(): void
    {
        // Whatever it is inside the fridge: 0.4 a leak, 0.3 a short.
        $ranking = self::ranking(['appliance-leak|fridge' => 0.4, 'appliance-short|fridge' => 0.3, Hypothesis::SOUND => 0.3]);
        $trying = Trying::of(self::$house, $ranking);
        self::assertNotNull($trying);
        self::assertSame([StopAdvice::OutOfUse, 'fridge', null], [$trying->advice, $trying->appliance?->id, $trying->opening]);
        $stop = Stop::advised($ranking, self::slow(), $trying);
        self::assertSame(StopAdvice::OutOfUse, $stop->advice);
        self::assertFalse($stop->advice->isSure());
        self::assertSame(['advice.out-of-use', ['appliance' => self::$house->parts['fridge']->name]], [$stop->message()->key, $stop->message()->with]);
        self::assertSame(StopAdvice::Test, Stop::advised($ranking, self::slow())->advice, 'where nothing may be tried');
        // What is at the terminals of one without a plug is gone with it as well.
        self::assertSame('oven-unit', Trying::of(self::$house, self::ranking(['neutral-earth-fault|oven-unit' => 0.4, 'line-earth-leak|oven-unit' => 0.3, Hypothesis::SOUND => 0.3]))?->appliance?->id);
        self::assertNull(Trying::of(self::$house, self::ranking(['appliance-leak|fridge' => 0.4, 'appliance-leak|washer' => 0.3, Hypothesis::SOUND => 0.3])), 'two that share it');
    }

    public function testWhatIsNoFaultOfTheHouseIsSaidOnceTwoThirdsWantIt(): void
    {
        $overload = self::first('overload|');
        self::assertSame(StopAdvice::Explain, Trying::of(self::$house, self::ranking([$overload => 0.7, Hypothesis::SOUND => 0.3]))?->advice);
        $ranking = self::ranking([$overload => 0.7, Hypothesis::SOUND => 0.3]);
        self::assertSame('advice.use-otherwise', Stop::advised($ranking, self::slow(), Trying::of(self::$house, $ranking))->message()->key, 'tried, not known');
        self::assertSame('advice.explain', Stop::advised(self::ranking([$overload => 0.97, Hypothesis::SOUND => 0.03]), [])->message()->key);
        self::assertNull(Trying::of(self::$house, self::ranking([$overload => 0.6, Hypothesis::SOUND => 0.4])));
    }

    public function testAPlaceIsOpenedAndATestThatIsQuickerThanTheScrewsAndSettlesHalfOfItComesFirst(): void
    {
        $reversed = self::first('line-neutral-reversed|');
        $ranking = self::ranking([$reversed => 0.8, Hypothesis::SOUND => 0.2]);
        $trying = Trying::of(self::$house, $ranking);
        self::assertNotNull($trying);
        $plan = array_values(TestCatalogue::plans(self::$house))[0];
        self::assertTrue($trying->isBeaten([new Candidate($plan, 0.5, 1.5, 0.3, 10.0)], 1.0));
        self::assertFalse($trying->isBeaten([new Candidate($plan, 0.5, 1.6, 0.3, 10.0)], 1.0), 'as long as the screws');
        self::assertFalse($trying->isBeaten([new Candidate($plan, 0.4, 0.5, 0.8, 10.0)], 1.0), 'tells too little');
        self::assertSame(StopAdvice::Test, Stop::advised($ranking, self::slow())->advice);
        $stop = Stop::advised($ranking, self::slow(), $trying);
        self::assertSame([StopAdvice::Open, $trying], [$stop->advice, $stop->trying]);
        self::assertSame(implode(', ', array_map(static fn (Place $place): string => $place->name, $trying->opening->places ?? [])), $stop->message()->with['places']);
    }

    /** @return list<Candidate> */
    private static function slow(): array
    {
        return [new Candidate(array_values(TestCatalogue::plans(self::$house))[0], 0.4, 10.0, 0.04, 30.0)];
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        return HypothesisSpace::of(self::$house, Houses::rates(), new Story(['overcurrent-trip', 'residual-trip']));
    }

    private static function first(string $begin): string
    {
        foreach (self::space() as $hypothesis) {
            if (str_starts_with($hypothesis->id, $begin)) {
                return $hypothesis->id;
            }
        }
        self::fail($begin);
    }

    /** @param array<string, float> $shares by the id of the cause */
    private static function ranking(array $shares): Ranking
    {
        $standings = [];
        foreach (self::space() as $hypothesis) {
            if (isset($shares[$hypothesis->id])) {
                $standing = new Standing($hypothesis, log($shares[$hypothesis->id]), [], [1.0]);
                $standing->probability = $shares[$hypothesis->id];
                $standings[] = $standing;
            }
        }
        usort($standings, static fn (Standing $one, Standing $other): int => $other->probability <=> $one->probability);
        self::assertCount(\count($shares), $standings);

        return new Ranking($standings, []);
    }
}
