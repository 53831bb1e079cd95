<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Procedure;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\Entries;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\States;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\Unmeasured;
use YellowProbe\Tests\Houses;

final class CatalogueTest extends TestCase
{
    public function testEveryTestOfTheCatalogueCanBeDoneSomewhereAndReadsSomething(): void
    {
        $found = [];
        foreach (Houses::varied() as $at => $house) {
            foreach (TestCatalogue::plans($house) as $id => $plan) {
                $found[$plan->procedure->slug()] = true;
                $measurement = $plan->measurement;
                self::assertGreaterThan(0.0, $plan->minutes);
                // A tester for dead conductors is only ever planned with the house parted from its supply, and says what can hurt.
                $parted = array_filter(States::mains($house), static fn (Part $main): bool => 'off' !== $measurement->state->position($main->id, 'on'));
                self::assertTrue(!$measurement->instrument->deadOnly() || [] === $parted, $id);
                self::assertTrue(!$measurement->instrument->deadOnly() || '' !== $plan->procedure->hazard(), $id);
                if (0 !== ($at + crc32($id)) % 7) {
                    continue;
                }
                $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read();
                self::assertFalse(is_nan($shown->value), $id);
                self::assertTrue(0 !== $at || ShownKind::Nothing !== $shown->kind, $id);
            }
        }
        foreach (TestCatalogue::all() as $procedure) {
            self::assertTrue($procedure instanceof Unmeasured || isset($found[$procedure->slug()]), $procedure->slug());
            foreach ([$procedure->words(), $procedure->needs(), $procedure->expects(), $procedure->alarm(), $procedure->cannotShow()] as $text) {
                self::assertTrue('' !== $text || $procedure instanceof Unmeasured, $procedure->slug());
            }
        }
        self::assertCount(\count(TestCatalogue::all()), Entries::slugs());
    }

    public function testADeviceIsClosedWithAndWithoutWhatIsPluggedInBehindIt(): void
    {
        $house = Houses::worked();
        $plans = TestCatalogue::plans($house);
        $way = $house->circuits['rad']->way;
        $read = static function (string $which, ?Fault $fault) use ($house, $plans, $way): string {
            $measurement = $plans["holds-unplugged:$way:$which"]->measurement;

            return ReadingFormat::displayed((new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($fault?->change($house)), $measurement->instrument);
        };
        $fridge = Fault::at($house, 'appliance-short', 'fridge', 0.3);
        $wiring = Fault::at($house, 'line-neutral-fault', 's1', 0.3);
        self::assertSame(['holds', 'holds'], [$read('in', null), $read('out', null)]);
        self::assertSame(['trips', 'holds'], [$read('in', $fridge), $read('out', $fridge)]);
        self::assertSame(['trips', 'trips'], [$read('in', $wiring), $read('out', $wiring)]);
        self::assertSame('out', $plans["holds-unplugged:$way:out"]->measurement->state->load('fridge'));
    }

    public function testWhatNoTesterReadsIsInTheCatalogueWithWhatItMeans(): void
    {
        $unmeasured = array_values(array_map(static fn ($procedure): string => $procedure->slug(), array_filter(TestCatalogue::all(), static fn ($procedure): bool => $procedure instanceof Unmeasured)));
        self::assertSame(['prove-dead', 'zs-calculated', 'rcd-test-button', 'surge-window', 'smoke-alarm', 'device-swap'], $unmeasured);
        foreach (TestCatalogue::all() as $procedure) {
            if ($procedure instanceof Unmeasured) {
                self::assertSame([], $procedure->plans(Houses::ringAndLights()));
                self::assertNotSame('', $procedure->needs().$procedure->alarm(), $procedure->slug());
            }
        }
    }

    public function testNoFaultAtAnySeverityMakesANumberThatIsNone(): void
    {
        $house = Houses::ringAndLights();
        $plans = TestCatalogue::plans($house);
        foreach (['plug-in-check:c.front', 'zs:spur.front:L-E', 'r1-r2:stair', 'insulation:low:L–N', 'neutral-to-neutral:low:up', 'residual-pair:stair:up', 'rcd-ramp:rcd-a:in', 'ring-cross-le:c.front', 'capacitance-ends:low:L:board'] as $id) {
            $measurement = $plans[$id]->measurement;
            $bench = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
            foreach (FaultCatalogue::all() as $kind) {
                foreach ($kind->sites($house) as $site) {
                    foreach ($kind->severities() as $ohms) {
                        $shown = $bench->read($kind->change($house, $site, $ohms));
                        self::assertFalse(is_nan($shown->value) || $shown->value < 0.0, "$id {$kind->slug()} $site->id $ohms");
                    }
                }
            }
        }
    }

    public function testAnInsulationTestReachesPastTheSwitchesWithLampsOutAndNeutralLifted(): void
    {
        $house = Houses::ringAndLights();
        $state = TestCatalogue::plans($house)['insulation:low:N–E']->measurement->state;

        self::assertSame('on', $state->position('l1-sw', 'on'));
        self::assertSame('out', $state->load('l1'));
        self::assertSame('on', $state->load('u1'), 'the other circuit is left alone');
        self::assertSame(['low-r1/N@1'], array_keys($state->lifted));
        self::assertSame(['ring-r1/N@1', 'ring-r5/N@2'], BoardEnds::neutralsAtBoard($house, 'ring'));
        self::assertSame([], State::resting($house)->lifted);
    }

    public function testIsolationHasAnOrder(): void
    {
        self::assertSame(0, Isolation::Warn->position());
        self::assertLessThan(Isolation::Off->position(), Isolation::Reference->position(), 'the reference is read live');
        self::assertLessThan(Isolation::Dead->position(), Isolation::TesterBefore->position());
        self::assertLessThan(Isolation::TesterAfter->position(), Isolation::Dead->position());
    }
}
