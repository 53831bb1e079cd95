<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Network;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\NetworkBuilder;
use YellowProbe\Network\Screen;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** What a tester cannot notice is not worked out: it has to be nothing. */
final class ScreenTest extends TestCase
{
    public function testABranchWithoutVoltsAcrossItIsNotNoticedAndOneOnTheWayIs(): void
    {
        // Lead – 1 Ω – a – 1 Ω – datum, and a side arm a – b – c that carries nothing.
        $builder = new NetworkBuilder();
        foreach (['lead', 'a', 'b', 'c', 'return'] as $node) {
            $builder->node($node);
        }
        foreach ([['lead', 'a'], ['a', 'return'], ['a', 'b'], ['b', 'c']] as $at => [$from, $to]) {
            $builder->resistor("r$at", $from, $to, 1.0);
        }
        $network = $builder->build();
        $node = $network->node(...);
        $screen = Screen::on(Elimination::of($network, $node('return')), [$node('lead')]);
        self::assertNotNull($screen);
        self::assertTrue($screen->leavesAlone([[$node('b'), $node('c'), 0.0, 1e3]]), 'no current passes there');
        self::assertTrue($screen->leavesAlone([[$node('b'), $node('c'), 1.0, 0.01]]));
        self::assertTrue($screen->leavesAlone([[$node('b'), $node('c'), 1.0, 0.0]]), 'nor is it missed');
        self::assertFalse($screen->leavesAlone([[$node('a'), $node('return'), 1.0, 0.5]]));
        self::assertFalse($screen->leavesAlone([[$node('lead'), $node('a'), 1.0, 0.0]]));
        self::assertFalse($screen->leavesAlone([[$node('c'), $node('return'), 0.0, 1.0]]), 'a second way back');
        self::assertFalse($screen->leavesAlone([[$node('b'), $node('c'), 0.0, 1.0], [$node('a'), $node('return'), 0.0, 1.0]]), 'one of two is enough');
        // Siemens by which a tie of one ohm in two halves is noticed: 10⁻⁶ of 2 Ω is 2·10⁻⁶ = y · 1².
        self::assertTrue($screen->leavesAlone([[$node('a'), $node('return'), 0.0, 1.9e-6]]));
        self::assertFalse($screen->leavesAlone([[$node('a'), $node('return'), 0.0, 2.1e-6]]));
    }

    public function testALeadWithoutAWayToTheOtherIsNeverScreened(): void
    {
        $builder = new NetworkBuilder();
        foreach (['lead', 'a', 'return', 'b'] as $node) {
            $builder->node($node);
        }
        $builder->resistor('one', 'lead', 'a', 1.0);
        $builder->resistor('other', 'return', 'b', 1.0);
        $network = $builder->build();
        self::assertNull(Screen::on(Elimination::of($network, $network->node('return')), [$network->node('lead')]));
    }

    /** @return iterable<string, array{House, string, int}> */
    public static function houses(): iterable
    {
        foreach (['plug-in-check:a.front', 'r1-r2:c', 'insulation:low:L–E', 'insulation-joined:ring', 'neutral-to-earth:low', 'neutral-to-neutral:low:up', 'ring-ends:ring:L', 'polarity-live:a.front:L-N', 'polarity-live:b.front:N-E', 'zs:c.front:L-E', 'loop-compare:c.front', 'residual-clamp:ring', 'cpc-current:ring', 'rcd-times:rcd-a:1', 'rcd-ramp:rcd-b:out', 'capacitance-ends:low:L:board', 'heat-look:a.front', 'trace-circuit:c.front'] as $test) {
            yield $test => [Houses::ringAndLights(), $test, 30];
        }
        yield 'without cpc' => [Houses::withoutCpc(0.0), 'plug-in-check:s2.front', 0];
        yield 'panel, volts' => [Houses::demo('panel-with-multiwire'), 'polarity-live:counter-l.upper:L-N', 30];
        yield 'panel, heat' => [Houses::demo('panel-with-multiwire'), 'heat-look:counter-l.upper', 30];
        yield 'panel' => [Houses::demo('panel-with-multiwire'), 'plug-in-check:counter-l.upper', 30];
        yield 'elu, what conducts by voltage' => [Houses::demo('earth-leakage-unit'), 'insulation-joined:geyser', 30];
    }

    /** Every fault of the catalogue read with the screen and without: apart by less than a thousandth of what the tester wanders. */
    #[DataProvider('houses')]
    public function testEveryFaultReadsAsItDoesWithoutAScreen(House $house, string $test, int $least): void
    {
        $measurement = TestCatalogue::plans($house)[$test]->measurement;
        $screened = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
        $screened->prepare();
        $plain = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
        $display = new Display($measurement->instrument);
        $seen = [];
        $same = 0;
        foreach (FaultCatalogue::all() as $kind) {
            foreach (FaultNature::Network === $kind->nature() ? $kind->sites($house) : [] as $site) {
                foreach ([$kind->severities()[0], $kind->severities()[\count($kind->severities()) - 1]] as $ohms) {
                    $change = $kind->change($house, $site, $ohms);
                    $expected = $plain->read($change);
                    $read = $screened->read($change);
                    $what = "{$kind->slug()} $site->words, $ohms Ω";
                    self::assertSame($expected->kind, $read->kind, $what);
                    self::assertEqualsWithDelta($display->isLine() ? $display->z($expected->value) : 0.0, $display->isLine() ? $display->z($read->value) : 0.0, $display->isLine() ? max(2e-5, 1e-3 * $display->spread($expected->value, is_finite($expected->value) ? $display->instrument->accuracy()->repeatability($display->instrument->scale(), $expected) : 0.0)) : 0.0, $what);
                    self::assertEqualsWithDelta($expected->levels, $read->levels, 1e-3, $what);
                    // The sound reading is one object, handed out again.
                    $same += \in_array($read, $seen, true) ? 1 : 0;
                    $seen[] = $read;
                }
            }
        }
        self::assertGreaterThanOrEqual($least, $same, 'much of a house is never noticed by one test, but where its lead floats');
    }

    #[DataProvider('houses')]
    public function testWhatIsNotNoticedAtBothEndsOfItsSeveritiesIsNotBetween(House $house, string $test, int $least): void
    {
        $measurement = TestCatalogue::plans($house)[$test]->measurement;
        $screened = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
        $screened->prepare();
        $plain = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
        $display = new Display($measurement->instrument);
        $sound = $plain->read();
        $between = 0;
        foreach (FaultCatalogue::all() as $kind) {
            foreach (\count($kind->severities()) > 2 ? $kind->sites($house) : [] as $site) {
                $changes = array_map(static fn (float $ohms): Change => $kind->change($house, $site, $ohms), $kind->severities());
                if (!$screened->isBlindTo($changes[0]) || !$screened->isBlindTo($changes[\count($changes) - 1])) {
                    continue;
                }
                $read = $plain->read($changes[intdiv(\count($changes), 2)]);
                $what = "{$kind->slug()} $site->words";
                self::assertSame($sound->kind, $read->kind, $what);
                self::assertEqualsWithDelta($display->isLine() ? $display->z($sound->value) : 0.0, $display->isLine() ? $display->z($read->value) : 0.0, 2e-5, $what);
                self::assertEqualsWithDelta($sound->levels, $read->levels, 1e-3, $what);
                ++$between;
            }
        }
        self::assertGreaterThanOrEqual($least > 0 ? 10 : 0, $between);
    }
}
