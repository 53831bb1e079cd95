<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Fault\UnlistedLoad;
use YellowProbe\Instrument\Bench;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** What the survey got wrong is no fault, and what was seen weighs where it was seen. */
final class UnlistedLoadTest extends TestCase
{
    public function testALoadThatNobodyListedReadsAsItsResistanceBetweenLineAndNeutral(): void
    {
        $house = Houses::ringAndLights();
        $kind = new UnlistedLoad();
        $sites = $kind->sites($house);
        self::assertSame(['ring'], array_map(static fn ($site): string => $site->id, $sites), 'lights have no outlets');
        $measurement = TestCatalogue::plans($house)['insulation:ring:L–N']->measurement;
        $bench = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
        $read = $bench->read($kind->change($house, $sites[0], 350.0))->value;
        self::assertEqualsWithDelta(350.0, $read, 2.0, '150 W at 230 V and a little wire');
        self::assertGreaterThan(1e6, $bench->read()->value);
        // Its filter is a capacitor: nothing to direct current.
        $earth = TestCatalogue::plans($house)['insulation:ring:L–E']->measurement;
        $sound = (new Bench($house, $earth->state, $earth->instrument, $earth->connection))->read()->value;
        self::assertEqualsWithDelta($sound, (new Bench($house, $earth->state, $earth->instrument, $earth->connection))->read($kind->change($house, $sites[0], 350.0))->value, 0.6 * $sound);
    }

    public function testBesideAFaultItChangesNothingOfTheRepair(): void
    {
        $house = Houses::ringAndLights();
        $byId = [];
        foreach (HypothesisSpace::of($house, Houses::rates()) as $hypothesis) {
            $byId[$hypothesis->id] = $hypothesis;
        }
        $load = $byId['unlisted-load|ring'];
        self::assertSame(FaultNature::Survey, $load->kind?->nature());
        self::assertSame(Hypothesis::SOUND, $load->repair);
        $fault = $byId['line-neutral-reversed|c'];
        $pair = Hypothesis::pair($load, $fault, 0.1);
        self::assertSame($fault->repair, $pair->repair);
        self::assertSame($fault->title(), $pair->title());
        self::assertStringContainsString('survey does not hold', $pair->words());
        self::assertSame('line-neutral-reversed|c&open-cpc|low-r2/E@1', Hypothesis::pair($byId['open-cpc|low-r2/E@1'], $fault, 0.1)->repair);
        self::assertSame($byId['open-cpc|low-r2/E@1']->repair, $byId['open-cpc|low-r2/E@1|at-times']->repair);
    }

    public function testAFindingWeighsAtItsPlaceAndOnASoundHouse(): void
    {
        $house = Houses::ringAndLights();
        $priors = static function (Story $story) use ($house): array {
            $priors = [];
            foreach (HypothesisSpace::of($house, Houses::rates(), $story) as $hypothesis) {
                $priors[$hypothesis->id] = $hypothesis->prior;
            }

            return $priors;
        };
        $plain = $priors(new Story(['part-dead']));
        $seen = $priors(new Story(['part-dead'], [], [['scorched', 'p-c']]));
        self::assertEqualsWithDelta(20.0, $seen['accessory-contact|c.front-L'] / $plain['accessory-contact|c.front-L'], 1e-9);
        self::assertEqualsWithDelta(1.0, $seen['accessory-contact|a.front-L'] / $plain['accessory-contact|a.front-L'], 1e-9, 'another place');
        self::assertEqualsWithDelta(1.0, $seen['borrowed-neutral|stair~up'] / $plain['borrowed-neutral|stair~up'], 1e-9, 'another kind');
        self::assertEqualsWithDelta(0.3, $seen['sound'] / $plain['sound'], 1e-9);
        $anywhere = $priors(new Story(['part-dead'], [], [['scorched', '']]));
        self::assertEqualsWithDelta(20.0, $anywhere['accessory-contact|a.front-L'] / $plain['accessory-contact|a.front-L'], 1e-9);
        $this->expectExceptionMessage('No finding is called "ghost"');
        $priors(new Story([], [], [['ghost', '']]));
    }
}
