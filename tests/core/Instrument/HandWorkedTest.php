<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\PlugInTester;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Readings that can be worked out on paper; the arithmetic stands beside each. */
final class HandWorkedTest extends TestCase
{
    public function testZsIsTheSumOfWhatTheCurrentPasses(): void
    {
        // L: service 0.06 + tail 0.003 + device 0.002 + breaker 16 A 0.009 + 15 m × 7.41 mΩ = 0.11115; E: 15 m × 12.10 mΩ
        // = 0.1815 back to the joined conductor, then 0.06. Sum 0.42665 Ω. The ground (1 Ω electrode, no bonding) is no path.
        self::assertEqualsWithDelta(0.42665, $this->test(Houses::twoCircuits(), 'zs:s1.front:L-E')->value, 5e-4);
    }

    public function testR1R2OfARadial(): void
    {
        // 15 m × 19.51 mΩ/m = 0.29265 Ω and the link 1 mΩ.
        self::assertEqualsWithDelta(0.2937, $this->test(Houses::twoCircuits(), 'r1-r2:s1')->value, 2e-4);
    }

    public function testARingSeenFromAPointIsTwoLegsInParallel(): void
    {
        // 50 m ring; at the second point from the board 20 m one way, 30 m the other: 12 m equivalent. Line 12 × 7.41 mΩ
        // = 0.0889, cpc 12 × 12.10 = 0.1452, link 1 mΩ; joints 2 mΩ at both ends of each run and two contacts of 10 mΩ add
        // (8 ‖ 12 = 4.8 mΩ) × 2 + 20 mΩ. Sum 0.2647 Ω. At the middle of the spur (5 m more): + 5 × 19.51 + 8 mΩ.
        $house = Houses::ringAndLights();
        $at = $this->test($house, 'r1-r2:b')->value;
        self::assertEqualsWithDelta(0.2647, $at, 1e-3);
        self::assertEqualsWithDelta(5 * 0.01951 + 0.008, $this->test($house, 'r1-r2:spur')->value - $at, 1e-3);
    }

    /** @return iterable<string, array{string, float, float, string, float}> system, contact Ω, share, load, tolerance */
    public static function shares(): iterable
    {
        // Share of the load current that misses the neutral, s = Z_shared / (Z_shared + Z_branch), of the worked figures.
        yield 'TN-C-S, hard, load on the same circuit' => ['TN-C-S', 1e-6, 0.39, 'load1', 0.005];
        yield 'TN-C-S, 0.5 Ω, same circuit' => ['TN-C-S', 0.5, 0.15, 'load1', 0.005];
        yield 'TN-C-S, 2 Ω, same circuit' => ['TN-C-S', 2.0, 0.05, 'load1', 0.003];
        yield 'TN-C-S, hard, another circuit' => ['TN-C-S', 1e-6, 0.0168, 'load2', 0.001];
        yield 'TN-S, hard, same circuit' => ['TN-S', 1e-6, 0.27, 'load1', 0.005];
        yield 'TN-S, hard, another circuit' => ['TN-S', 1e-6, 0.10, 'load2', 0.005];
        yield 'TN-S, 2 Ω, another circuit' => ['TN-S', 2.0, 0.02, 'load2', 0.005];
        yield 'TT, hard, same circuit' => ['TT', 1e-6, 0.002, 'load1', 0.0003];
        yield 'TT, hard, another circuit' => ['TT', 1e-6, 0.0008, 'load2', 0.0001];
    }

    #[DataProvider('shares')]
    public function testHowHardANeutralEarthContactBites(string $system, float $contact, float $share, string $load, float $within): void
    {
        $house = Houses::twoCircuits($system);
        $state = State::resting($house)->after(new StateChange('load', $load, 'on'));
        $change = Fault::at($house, 'neutral-earth-fault', 's1', $contact)->change($house);
        $residual = $this->read($house, 'leakage-clamp', Connection::around('+rcd/L', '+rcd/N'), $state, $change)->value;
        $own = 'load1' === $load ? 'one-r1' : 'two-r1';
        $current = $this->read($house, 'leakage-clamp', Connection::around("+$own/L"), $state, $change)->value;

        self::assertEqualsWithDelta(10.0, $current, 0.35); // 2.3 kW at 230 V
        self::assertEqualsWithDelta($share, $residual / $current, $within);
    }

    /** @return iterable<string, array{string, float}> */
    public static function meters(): iterable
    {
        // Filters of 4.7 + 4.7 nF on an open cpc: a divider of U0/2 = 115 V behind 1/(ω·9.4 nF) = 338.6 kΩ of reactance.
        // 10 MΩ: 115·10/√(10² + 0.3386²) = 114.9 V; 200 kΩ: 115·200/√(200² + 338.6²) = 58.5 V.
        yield 'high impedance' => ['voltmeter-high-z', 114.9];
        yield 'low impedance' => ['voltmeter-low-z', 58.5];
    }

    #[DataProvider('meters')]
    public function testHalfTheVoltageOnMetalworkWithAnOpenCpc(string $meter, float $volts): void
    {
        $house = Houses::twoCircuits('TN-C-S', 4.7);
        $change = Fault::at($house, 'open-cpc', 'one-r1/E@2')->change($house);
        // To the other circuit's earth. The open end of the cpc stays in its cable, so the filters alone hold the case.
        $shown = $this->read($house, $meter, Connection::leads('load1.E', 's2.front-E'), State::resting($house), $change);

        self::assertEqualsWithDelta($volts, $shown->value, 0.02 * $volts);
    }

    public function testPlugInPatterns(): void
    {
        $house = Houses::twoCircuits('TN-C-S', 4.7);
        $pattern = fn (?Change $change): string => (new PlugInTester())->pattern($this->test($house, 'plug-in-check:s1.front', $change));

        self::assertSame('110', $pattern(null));
        self::assertSame('101', $pattern(Fault::at($house, 'line-neutral-reversed', 's1')->change($house)));
        self::assertSame('100', $pattern(Fault::at($house, 'open-cpc', 'one-r1/E@2')->change($house)));
    }

    public function testInsulationOfTwoFiltersAndALongCable(): void
    {
        // 10 GΩ·km over 15 m is 667 GΩ a pair: over range. A leak of 0.5 MΩ line to earth at the end shows as 0.5 MΩ.
        $house = Houses::twoCircuits();
        self::assertSame(ShownKind::Over, $this->test($house, 'insulation:one:L–E')->kind);
        $contact = Fault::at($house, 'neutral-earth-fault', 's1', 0.5e6)->change($house);
        self::assertEqualsWithDelta(0.5e6, $this->test($house, 'insulation:one:N–E', $contact)->value, 50.0);
        self::assertSame(ShownKind::Over, $this->test($house, 'insulation:one:L–E', $contact)->kind);
    }

    public function testLeakageThroughAFilter(): void
    {
        // 230 V over 4.7 nF at 50 Hz: 230 · 2π·50 · 4.7e-9 = 0.3396 mA; the cables add 230·ω·1.5 nF = 0.1084 mA each.
        $house = Houses::twoCircuits('TN-C-S', 4.7);
        $residual = $this->test($house, 'residual-clamp:one')->value;
        self::assertEqualsWithDelta(0.3396e-3 + 0.1084e-3, $residual, 5e-6);
    }

    public function testNoLoopTestWithoutSupply(): void
    {
        $house = Houses::twoCircuits();
        $off = State::resting($house)->after(new StateChange('set', 'main', 'off'));
        self::assertSame(ShownKind::Nothing, $this->read($house, 'loop-2-wire', Connection::leads('s1.front-L', 's1.front-E'), $off)->kind);
    }

    private function test(House $house, string $plan, ?Change $change = null): Shown
    {
        $measurement = TestCatalogue::plans($house)[$plan]->measurement;

        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($change);
    }

    private function read(House $house, string $instrument, Connection $connection, State $state, ?Change $change = null): Shown
    {
        return (new Bench($house, $state, Instruments::get($instrument), $connection))->read($change);
    }
}
