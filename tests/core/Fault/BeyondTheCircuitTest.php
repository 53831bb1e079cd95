<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Shown;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Tests\Houses;

/** Faults that are how a device behaves, and those that no reading shows. */
final class BeyondTheCircuitTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> kind, place in the demonstration houses, class */
    public static function looked(): iterable
    {
        yield 'jumper-undersized' => ['jumper-undersized', 'board', 'P'];
        yield 'breaker-oversized' => ['breaker-oversized', 'rad', 'P'];
        yield 'rcd-wrong-type' => ['rcd-wrong-type', 'rcd', 'I'];
        yield 'rcd-dc-blinded' => ['rcd-dc-blinded', 'rcd', 'P'];
        yield 'rcd-backfed' => ['rcd-backfed', 'rcd', 'P'];
        yield 'functional-earth-off' => ['functional-earth-off', 'way1', 'I'];
        yield 'transient-trip' => ['transient-trip', 'house', 'I'];
        yield 'lamp-mismatch' => ['lamp-mismatch', 'light', 'I'];
        yield 'two-circuits-one-box' => ['two-circuits-one-box', 'house', 'I'];
        yield 'buried-splice' => ['buried-splice', 'rad', 'P'];
        yield 'bare-neutral' => ['bare-neutral', 'ring', 'P'];
        yield 'outdoor-accessory' => ['outdoor-accessory', 'outside', 'P'];
        yield 'board-workmanship' => ['board-workmanship', 'board', 'I'];
        yield 'no-residual-protection' => ['no-residual-protection', 'low', 'I'];
    }

    #[DataProvider('looked')]
    public function testWhatIsFoundByLookingLeavesEveryReadingAlone(string $kind, string $site, string $class): void
    {
        $house = match ($kind) {
            'functional-earth-off' => Houses::ringsAndHeater(),
            'outdoor-accessory' => self::outdoors(),
            default => Houses::worked(),
        };
        $fault = Fault::at($house, $kind, $site);
        self::assertSame(FaultNature::LookOnly, $fault->kind->nature());
        self::assertSame($class, $fault->kind->class());
        $change = $fault->change($house);
        self::assertTrue($change->leavesNetwork());
        foreach (\array_slice(TestCatalogue::plans($house), 0, 80, true) as $id => $plan) {
            self::assertEquals($this->read($house, $plan, null), $this->read($house, $plan, $fault), $id);
        }
    }

    public function testEveryKindThatIsOnlySeenIsHere(): void
    {
        $kinds = array_keys(array_filter(FaultCatalogue::all(), static fn ($kind): bool => FaultNature::LookOnly === $kind->nature()));
        self::assertSame([], array_diff($kinds, array_keys(iterator_to_array(self::looked()))));
    }

    /** @return iterable<string, array{string, list<array{string, string}>}> kind, tests and what they show */
    public static function devices(): iterable
    {
        yield 'rcd-stuck: none at 5 ×' => ['rcd-stuck', [['rcd-times:rcd:5', 'over'], ['rcd-times:rcd:1', 'over'], ['rcd-ramp:rcd:out', 'over']]];
        yield 'rcd-too-sensitive: half its rating opens it' => ['rcd-too-sensitive', [['rcd-times:rcd:half', 'value'], ['rcd-times:rcd:1', 'value']]];
        yield 'rcd-slow: over the limit at 1 ×' => ['rcd-slow', [['rcd-times:rcd:1', 'value'], ['rcd-times:rcd:half', 'over']]];
        yield 'rcd-button-dead: the instrument opens it' => ['rcd-button-dead', [['rcd-times:rcd:1', 'value'], ['rcd-ramp:rcd:out', 'value']]];
    }

    /** @param list<array{string, string}> $seen */
    #[DataProvider('devices')]
    public function testADeviceThatIsNotAsItsKind(string $kind, array $seen): void
    {
        $house = Houses::worked();
        $fault = Fault::at($house, $kind, 'rcd');
        self::assertSame(FaultNature::Device, $fault->kind->nature());
        $plans = TestCatalogue::plans($house);
        foreach ($seen as [$test, $shows]) {
            self::assertSame($shows, $this->read($house, $plans[$test], $fault)->kind->value, $test);
        }
        // No tester that does not make it act can tell.
        self::assertEquals($this->read($house, $plans['zs:s1.front:L-E'], null), $this->read($house, $plans['zs:s1.front:L-E'], $fault));
    }

    public function testButtonsAndRampsOfSuchDevices(): void
    {
        $house = Houses::worked();
        $behaviour = static fn (string $kind) => Fault::at($house, $kind, 'rcd')->change($house)->behaviour('rcd');
        self::assertTrue(Fault::at($house, 'rcd-slow', 'rcd')->change($house)->behaviour('rcd')->button);
        self::assertFalse($behaviour('rcd-button-dead')->button);
        self::assertFalse($behaviour('rcd-stuck')->button);
        // 0.45 · 22 = 9.9 mA
        self::assertEqualsWithDelta(9.9e-3, $this->read($house, TestCatalogue::plans($house)['rcd-isolated:rcd'], Fault::at($house, 'rcd-too-sensitive', 'rcd'))->value, 0.05e-3);
    }

    public function testTwoUndelayedInSeriesAndAFalseArc(): void
    {
        $shed = Houses::demo('rod-and-outbuilding');
        self::assertSame('shed-sockets', Fault::at($shed, 'rcd-in-series', 'shed-sockets')->site->id);
        $panel = Houses::demo('panel-with-multiwire');
        $sites = FaultCatalogue::get('arc-device-false-trip')->sites($panel);
        self::assertNotSame([], $sites);
        self::assertTrue((new Fault(FaultCatalogue::get('arc-device-false-trip'), $sites[0], 0.0))->change($panel)->leavesNetwork());
        self::assertSame([], FaultCatalogue::get('rcd-in-series')->sites(Houses::worked()), 'one device alone is in series with none');
    }

    private static function outdoors(): House
    {
        $document = Houses::worked()->document;
        \assert(\is_array($document['places']));
        $document['places']['outside'] = ['kind' => 'point', 'name' => 'Yard', 'outdoors' => true];

        return House::fromDocument($document);
    }

    private function read(House $house, TestPlan $plan, ?Fault $fault): Shown
    {
        $measurement = $plan->measurement;

        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($fault?->change($house));
    }
}
