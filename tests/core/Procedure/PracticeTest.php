<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Procedure;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\Access;
use YellowProbe\Procedure\Kit;
use YellowProbe\Procedure\Occupants;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;
use YellowProbe\Procedure\Price;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Tests\Houses;

/** Who works, how they like to, what stands in the way, and who lives there. */
final class PracticeTest extends TestCase
{
    public function testAnAssistantWorksOnNothingLiveBehindACoverAndPartsNoEarth(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        $practice = new Practice(Kit::full(), Practice::ASSISTANT);
        foreach (['residual-clamp:ring', 'ze', 'bonding-continuity'] as $kind) {
            $own = array_filter($plans, static fn (TestPlan $plan): bool => str_starts_with($plan->id, $kind));
            foreach ($own as $plan) {
                self::assertFalse($practice->allows($house, $plan), $plan->id);
                self::assertTrue(Practice::any()->allows($house, $plan), $plan->id);
            }
        }
        self::assertTrue($practice->allows($house, $plans['plug-in-check:a.front']), 'from the front');
        self::assertTrue($practice->allows($house, $plans['r1-r2:a']), 'dead');
        $this->expectExceptionMessage('"foreman" is none of electrician, assistant');
        new Practice(Kit::full(), 'foreman');
    }

    public function testResidualDevicesAreTestedWhereThePersonLikesToAndLoopsMeasuredOrCalculated(): void
    {
        $house = Houses::ringAndLights();
        $ids = static fn (Practice $practice): array => array_keys(array_filter(TestCatalogue::plans($house), static fn (TestPlan $plan): bool => $practice->allows($house, $plan)));
        $board = $ids(new Practice(Kit::full(), residual: 'board'));
        $point = $ids(new Practice(Kit::full(), residual: 'point'));
        self::assertContains('rcd-times:rcd-a:1', $board);
        self::assertNotContains('rcd-times:rcd-a:1:far', $board);
        self::assertContains('rcd-times:rcd-a:1:far', $point);
        self::assertNotContains('rcd-times:rcd-a:1', $point);
        $calculated = $ids(new Practice(Kit::full(), loop: 'calculated'));
        self::assertNotContains('zs:a.front:L-E', $calculated);
        self::assertContains('r1-r2:a', $calculated, 'it follows from this');
        self::assertContains('zs:a.front:L-E', $ids(Practice::any()));
    }

    public function testWhatStandsInFrontIsClearedOnceAndPaidOnce(): void
    {
        $house = self::with(Houses::ringAndLights(), 'places', 'p-a', ['access' => 'furniture']);
        $plans = TestCatalogue::plans($house);
        $minutes = static fn (TestPlan $plan, Opened $opened): float => Access::minutes($house, $plan->measurement, $opened);
        self::assertSame(4.0, $minutes($plans['plug-in-check:a.front'], Opened::none()), 'the furniture, at the front');
        self::assertSame(0.0, $minutes($plans['plug-in-check:b.front'], Opened::none()));
        self::assertSame(8.0, $minutes($plans['r1-r2:l1'], Opened::none()) - 12.0, 'a rose opened, and the board for the link');
        $opened = Opened::none()->after($house, $plans['r1-r2:l1']);
        self::assertSame(0.0, $minutes($plans['r1-r2:l1'], $opened));
        self::assertSame(8.0, $minutes($plans['r1-r2:l2'], $opened), 'the board is open already');
        $loft = self::with(Houses::ringAndLights(), 'places', 'p-l2', ['access' => 'loft']);
        self::assertSame(28.0, Access::minutes($loft, $plans['r1-r2:l2']->measurement, $opened));
    }

    public function testAPowerCutIsPaidForByWhoLivesThere(): void
    {
        $house = self::with(Houses::ringAndLights(), 'parts', 'fridge', ['keepOn' => 'medical']);
        $plans = TestCatalogue::plans($house);
        $resting = State::resting($house);
        $names = static fn (string $test, State $now): array => array_map(static fn (Part $part): string => $part->name, Occupants::losing($house, $now, $plans[$test]));
        self::assertSame(['Fridge'], $names('insulation:low:N–E', $resting), 'the whole board goes off');
        self::assertSame(['Fridge'], $names('rcd-times:rcd-a:1:far', $resting), 'its device opens');
        self::assertSame([], $names('rcd-times:rcd-b:1', $resting), 'the other device is not its own');
        self::assertSame([], $names('zs:a.front:L-E', $resting));
        self::assertSame([], $names('insulation:low:N–E', $plans['insulation:low:N–E']->measurement->state), 'it is off already');
        self::assertSame([], $names('insulation:low:N–E', $resting->after(new StateChange('load', 'fridge', 'out'))), 'it runs elsewhere');
        $plain = TestCatalogue::plans(Houses::ringAndLights())['insulation:low:N–E'];
        self::assertEqualsWithDelta(Occupants::KEEP_ON['medical'], (new Price($house))->minutes($resting, $plans['insulation:low:N–E'], Opened::none()) - (new Price(Houses::ringAndLights()))->minutes($resting, $plain, Opened::none()), 1e-9);
    }

    public function testPricesOverAVisitAddUpToAllMinutesTheLastRestoringIncluded(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        $price = new Price($house);
        $resting = State::resting($house);
        $order = ['insulation:low:N–E', 'r1-r2:l1', 'insulation:ring:L–E'];
        [$now, $opened, $sum, $tests] = [$resting, Opened::none(), 0.0, 0.0];
        foreach ($order as $test) {
            $sum += $price->minutes($now, $plans[$test], $opened);
            $tests += $plans[$test]->minutes + Access::minutes($house, $plans[$test]->measurement, $opened);
            $now = $plans[$test]->measurement->state;
            $opened = $opened->after($house, $plans[$test]);
        }
        // Isolated once (8) and restored once (6), beside covers, tests, switches, lamps and neutrals.
        self::assertGreaterThan($tests + 14.0, $sum);
        self::assertLessThan($tests + 14.0 + 40.0, $sum);
    }

    /** @param array<string, mixed> $more */
    private static function with(House $house, string $map, string $id, array $more): House
    {
        $document = $house->document;
        \assert(\is_array($document[$map]) && \is_array($document[$map][$id]));
        $document[$map][$id] = $more + $document[$map][$id];

        return House::fromDocument($document);
    }
}
