<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Procedure;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Device\ResidualLaw;
use YellowProbe\Fault\Fault;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\Unmeasured;
use YellowProbe\Tests\Houses;

/**
 * A figure worked on paper for every test of the catalogue that a tester reads, in the house of {@see Houses::worked()};
 * ρ of 2.5/1.5 mm² is 7.41 and 12.10 mΩ/m, the test link 1 mΩ.
 */
final class WorkedFiguresTest extends TestCase
{
    /** @return iterable<string, array{0: string, 1: float, 2?: array{}|array{string, string, float}, 3?: string}> test, expected, fault, earthing */
    public static function dead(): iterable
    {
        yield 'bonding: 12 m × 1.83' => ['bonding-continuity:bond', 0.02196];
        yield 'R1+R2, radial: 15 × 19.51 + 1' => ['r1-r2:s1', 0.29365];
        yield 'R1+R2, 25 m' => ['r1-r2:s2', 0.48875];
        // x(1−x)(r1+r2) + link: 0.25 · 0.75 · 1.3169 + 0.001
        yield 'R1+R2, a quarter of the ring' => ['r1-r2:a', 0.24793];
        yield 'R1+R2, spur: (r1+r2)/4 + 8 × 19.51 + 1' => ['r1-r2:spur', 0.48631];
        yield 'R2 by long lead: 15 × 12.10' => ['r2-long-lead:s1.front', 0.1816];
        yield 'ring, ends of the line: 67.5 × 7.41' => ['ring-ends:ring:L', 0.50018];
        yield 'ring, ends of the cpc: 67.5 × 12.10' => ['ring-ends:ring:E', 0.81675];
        // (r1 + rn)/4 = 1.00035/4 = 0.25009; two links in two ways round: + 0.0005. The spur adds 8 × 14.82.
        yield 'cross-joined L–N at a quarter' => ['ring-cross-ln:a.front', 0.25059];
        yield 'cross-joined L–N in the middle' => ['ring-cross-ln:b.front', 0.25059];
        yield 'cross-joined L–N on the spur' => ['ring-cross-ln:spur.front', 0.36915];
        // [(0.75 r1 + 0.25 r2)(0.25 r1 + 0.75 r2)]/(r1+r2) = 0.57932 · 0.73761 / 1.31693 = 0.32448; in the middle 0.32923
        yield 'cross-joined L–cpc at a quarter' => ['ring-cross-le:a.front', 0.32498];
        yield 'cross-joined L–cpc in the middle: its R1+R2' => ['ring-cross-le:b.front', 0.32973];
        // x(r1+r2) + link
        yield 'order, first point: 0.25 · 1.3169 + 0.001' => ['ring-order:a.front', 0.33023];
        yield 'order, last point: 0.75 · 1.3169 + 0.001' => ['ring-order:c.front', 0.9887];
        // L 18 m × 12.10 by way of the switch (5 mΩ) and the holder (2 mΩ), cpc 10 m × 18.10, link 1: 0.2178 + 0.007 + 0.181 + 0.001, joints of the lamp 3 mΩ
        yield 'polarity, dead, switch on' => ['polarity-dead:light:on', 0.4098];
        // C_LE + C_LN·C_NE/(C_LN + C_NE) = 2.5 + 1.25 · 2.5/3.75 = 3.333 nF
        yield 'capacitance of 25 m' => ['capacitance-ends:rad:L:board', 3.3333e-9];
        // Line broken at 15 m. N–E has 2.5 nF and by way of the loose 10 m of line 0.5 · 1.0/1.5 more, 2.8333: from the board
        // 1.5 + 0.75 · 2.8333/3.5833 = 2.0930; from the end 1.0 + 0.5 · 3.0/3.5 = 1.4286 nF. 25 m · 2.093/3.5216 = 14.86 m.
        yield 'capacitance up to a break' => ['capacitance-ends:rad:L:board', 2.0930e-9, ['open-line', 'rad-r2/L@1', 0.0]];
        yield 'capacitance from the other end' => ['capacitance-ends:rad:L:far', 1.4286e-9, ['open-line', 'rad-r2/L@1', 0.0]];
        yield 'a rod by three spikes' => ['electrode-3-spike:rod', 73.0, [], 'TT'];
        yield 'a dry rod: 73 + 400' => ['electrode-3-spike:rod', 473.0, ['electrode-dry', 'rod', 400.0], 'TT'];
        // 25 m × 7.41 = 0.18525 up to the end of the line core, less 0.3 % that the 30 kΩ of the leak take before 10 MΩ; 15 m up to the first point of the neutral
        yield 'place of a leak at the end' => ['loop-ratio:rad:L', 0.1847, ['low-insulation', 'rad-r2:L-E', 3e4]];
        yield 'place of a leak at the first point' => ['loop-ratio:rad:N', 0.11115, ['neutral-earth-fault', 's1', 300.0]];
        // Insulation: the leak beside 10 GΩ·km over 25 m and its like
        yield 'insulation L–E with 0.8 MΩ' => ['insulation:rad:L–E', 0.8e6, ['low-insulation', 'rad-r2:L-E', 0.8e6]];
        yield 'insulation, L and N joined' => ['insulation-joined:rad', 0.8e6, ['low-insulation', 'rad-r2:L-E', 0.8e6]];
        yield 'insulation, half beyond the point' => ['insulation-halves:rad:rad-r2:L–E:beyond', 0.8e6, ['low-insulation', 'rad-r2:L-E', 0.8e6]];
        yield 'insulation, a cable parted from the point that it comes to' => ['insulation-halves:rad:rad-r2:in:L–E:towards', 0.8e6, ['low-insulation', 'rad-r2:L-E', 0.8e6]];
        yield 'insulation, a point parted from the cable that comes to it' => ['insulation-halves:ring:ring-r3:in:L–N:beyond', 0.3e6, ['line-neutral-fault', 'c', 0.3e6]];
        yield 'a ring parted before the point that leaks' => ['insulation-halves:ring:ring-r3:L–N:beyond', 0.3e6, ['line-neutral-fault', 'c', 0.3e6]];
        yield 'a ring parted behind it' => ['insulation-halves:ring:ring-r4:L–N:towards', 0.3e6, ['line-neutral-fault', 'c', 0.3e6]];
        yield 'the spur of a ring, parted off' => ['insulation-halves:ring:ring-s-spur:N–E:beyond', 0.3e6, ['neutral-earth-fault', 'spur', 0.3e6]];
        yield 'neutral to earth at 250 V' => ['neutral-to-earth:rad', 0.3e6, ['neutral-earth-fault', 's1', 0.3e6]];
    }

    /** @return iterable<string, array{0: string, 1: float, 2?: array{}|array{string, string, float}, 3?: string}> */
    public static function live(): iterable
    {
        yield 'supply L–N' => ['supply-polarity:service:L-N', 230.0];
        yield 'supply L–E' => ['supply-polarity:service:L-E', 230.0];
        yield 'volts where a circuit leaves the board' => ['polarity-live:rad:L-N', 230.0];
        yield 'the same before a break in the line' => ['polarity-live:rad:L-E', 230.0, ['open-line', 'rad-r1/L@1', 0.0]];
        yield 'external loop: 0.06 + 0.06' => ['ze:earthing', 0.12];
        yield 'external loop, TN-S: 0.06 + 0.3' => ['ze:earthing', 0.36, [], 'TN-S'];
        yield 'electrode by the loop: 73 + 2 + 0.06' => ['electrode-loop:earthing', 75.06, [], 'TT'];
        // 0.06 + 0.06 ‖ (10 + 1 + 0.022) = 0.06 + 0.05968
        yield 'fault loop at the head' => ['ipf:service:L-E', 0.11968];
        // 73 Ω of rod, the pipe's 10.022 and the conductors of both: a mesh through the ground
        yield 'two clamps around the rod' => ['electrode-clamps:earthing', 83.02, [], 'TT'];
        // 12 m of bond, 10 Ω, the street's electrode 1 Ω and the PEN 0.06 Ω
        yield 'two clamps around a bond' => ['electrode-clamps:bond', 11.08];
        yield 'live polarity' => ['polarity-live:s2.front:L-E', 230.0];
        // 0.06 + 0.003 + 0.002 + 0.009 + 0.11115 + 0.1815 + 0.05968
        yield 'Zs' => ['zs:s1.front:L-E', 0.42633];
        // + the residual core at small signal, 50 mΩ
        yield 'Zs, no-trip' => ['loop-compare:s1.front', 0.47633];
        // The neutral's own way: 0.074 + 2 · 0.11115 + 0.002 + 0.003 + 0.05968
        yield 'Z between line and neutral' => ['zs:s1.front:L-N', 0.36098];
        yield 'residual device, 1 ×' => ['rcd-times:rcd:1', 0.025];
        yield 'residual device, 5 ×' => ['rcd-times:rcd:5', 0.015];
        yield 'residual device, 1 × from the far point' => ['rcd-times:rcd:1:far', 0.025];
        yield 'residual device by itself' => ['rcd-isolated:rcd', 0.022];
        yield 'a slow residual device, 18 times' => ['rcd-times:rcd:1', 0.45, ['rcd-slow', 'rcd', 0.0]];
        // Leaks: 230 V · ω · C, 72.26 µA per nF. Radial: 10 nF and 25 m × 100 pF = 0.7226 + 0.1806 mA; ring 75.5 m: 0.5455
        yield 'residual of the radial' => ['residual-clamp:rad', 0.9032e-3];
        yield 'residual of the ring' => ['residual-clamp:ring', 0.5455e-3];
        yield 'the cpc of the radial carries it' => ['cpc-current:rad', 0.9032e-3];
        // Neutral and earth exchanged at the point: the heater's 26.45 Ω and the way back by the cpc, 0.42633: all its current
        yield 'the cpc carries the whole load of a point where neutral and earth are exchanged' => ['cpc-current:rad:s1.front', 8.558, ['neutral-earth-swapped', 's1', 0.0]];
        // The leaks alone, at the volts that 8.579 A leave: 1.1 V less of 230
        yield 'and none of it where they are not' => ['cpc-current:rad:s1.front', 0.8989e-3];
        yield 'a logger reads the same' => ['leakage-log:rcd', 1.5499e-3];
        // the fridge out: 1.5499 − 0.7226
        yield 'plug by plug' => ['plug-by-plug:fridge', 0.8273e-3];
        // 26.45 Ω of heater and 0.36098 Ω of loop: 8.579 A; volts left 226.90, dropped 3.10
        yield 'volt drop' => ['volt-drop:s1.front:L-N', 226.9];
        // N from the point to the head, with five stretches of the bar: (0.11115 + 0.00025 + 0.002 + 0.003) · 8.579
        yield 'N–E under load' => ['ne-under-load:s1.front:N-E', 0.9986];
        // and the neutral of the street in TN-S: (0.1164 + 0.06) · 8.578
        yield 'N–E under load, TN-S' => ['ne-under-load:s1.front:N-E', 1.5131, [], 'TN-S'];
        yield 'across a bad contact: 0.05 Ω · 8.5625 A' => ['joint-drop:s1.front:L', 0.4281, ['accessory-contact', 's1.front-L', 0.05]];
        // 8.578 A · 0.06/(0.06 + 0.022 + 10 + 1) through pipe and ground
        yield 'earthing conductor with 2 kW on' => ['earthing-current:earthing:on', 0.0465];
        yield 'earthing conductor with the main off' => ['earthing-current:earthing:off', 0.0];
        // The same 46.5 mA are what the clamp around both tails misses, less the leaks that flow in both; over the pipe's 10.02 Ω:
        yield 'earth terminal to true earth' => ['met-true-earth:loaded', 0.4662];
    }

    /** @param array{}|array{string, string, float} $fault */
    #[DataProvider('dead')]
    #[DataProvider('live')]
    public function testAFigure(string $test, float $expected, array $fault = [], string $system = 'TN-C-S'): void
    {
        $shown = $this->shown($test, $fault, $system);

        self::assertSame(ShownKind::Value, $shown->kind);
        self::assertEqualsWithDelta($expected, $shown->value, max(1.2e-3 * $expected, 1e-12));
    }

    /** @return iterable<string, array{0: string, 1: ShownKind, 2?: array{string, string, float}}> */
    public static function without(): iterable
    {
        yield 'dead polarity with the switch off' => ['polarity-dead:light:off', ShownKind::Over];
        yield '½ × holds' => ['rcd-times:rcd:half', ShownKind::Over];
        yield 'a ring broken' => ['ring-ends:ring:L', ShownKind::Over, ['ring-open', 'ring-r2:L', 0.0]];
        yield 'order of a ring beyond its break' => ['ring-order:c.front', ShownKind::Over, ['ring-open', 'ring-r3:L', 0.0]];
        yield 'neutrals apart' => ['neutral-to-neutral:ring:rad', ShownKind::Over];
        yield 'a stuck residual device at 5 ×' => ['rcd-times:rcd:5', ShownKind::Over, ['rcd-stuck', 'rcd', 0.0]];
        yield 'insulation, a point whose cable is low' => ['insulation-halves:rad:rad-r2:in:L–E:beyond', ShownKind::Over, ['low-insulation', 'rad-r2:L-E', 0.8e6]];
        yield 'insulation, the cable to a point that is low' => ['insulation-halves:ring:ring-r3:in:L–N:towards', ShownKind::Over, ['line-neutral-fault', 'c', 0.3e6]];
        yield 'insulation, the sound half' => ['insulation-halves:rad:rad-r2:L–E:towards', ShownKind::Over, ['low-insulation', 'rad-r2:L-E', 0.8e6]];
        yield 'a ring parted before the point that leaks, the board\'s side' => ['insulation-halves:ring:ring-r3:L–N:towards', ShownKind::Over, ['line-neutral-fault', 'c', 0.3e6]];
        yield 'the last leg of a ring beyond it' => ['insulation-halves:ring:ring-r4:L–N:beyond', ShownKind::Over, ['line-neutral-fault', 'c', 0.3e6]];
        yield 'a ring without its spur' => ['insulation-halves:ring:ring-s-spur:N–E:towards', ShownKind::Over, ['neutral-earth-fault', 'spur', 0.3e6]];
        yield 'no leak, no place' => ['loop-ratio:rad:L', ShownKind::Nothing];
        yield 'a leak too small to be placed' => ['loop-ratio:rad:L', ShownKind::Nothing, ['low-insulation', 'rad-r2:L-E', 3e6]];
        yield 'no mesh around a bond that is missing' => ['electrode-clamps:bond', ShownKind::Over, ['bonding-missing', 'bond', 0.0]];
        yield 'no bond, no continuity' => ['bonding-continuity:bond', ShownKind::Over, ['bonding-missing', 'bond', 0.0]];
        yield 'no loop through a broken cpc' => ['zs:s2.front:L-E', ShownKind::Over, ['open-cpc', 'rad-r2/E@1', 0.0]];
    }

    /** @param array{}|array{string, string, float} $fault */
    #[DataProvider('without')]
    public function testNoFigure(string $test, ShownKind $kind, array $fault = []): void
    {
        self::assertSame($kind, $this->shown($test, $fault)->kind);
    }

    public function testHeatLooksAtWhatAJointTakes(): void
    {
        // 0.5 Ω in the neutral contact with 2 kW: I = 230/(26.45 + 0.361 + 0.5) = 8.42 A, 0.5 · 8.42² = 35.5 W
        self::assertEqualsWithDelta(35.5, $this->shown('heat-look:s1.front', ['accessory-contact', 's1.front-N', 0.5])->levels[0], 0.1);
        self::assertLessThan(0.01, $this->shown('heat-look:s1.front')->levels[0]);
    }

    public function testADeviceIsClosedOnAShort(): void
    {
        // 0.5 Ω between line and neutral of the fridge, 0.361 Ω of loop to the first socket and 0.148 Ω to the second, contacts besides: 224 A or so of the 1.28 · 16 A that it holds.
        $way = Houses::worked()->circuits['rad']->way;
        self::assertEqualsWithDelta(224.0 / 20.48, $this->shown("holds-unplugged:$way:in", ['appliance-short', 'fridge', 0.5])->levels[0], 0.2);
        self::assertLessThan(0.01, $this->shown("holds-unplugged:$way:out", ['appliance-short', 'fridge', 0.5])->levels[0]);
    }

    public function testAResidualDeviceIsClosedOnALeak(): void
    {
        // 10 kΩ from line to earth at the second socket: 23 mA of the 22.5 mA that opens one of 30 mA in the middle of its kind; with its breaker off nothing.
        $law = ResidualLaw::of(Houses::worked()->parts['rcd']);
        self::assertEqualsWithDelta(0.023 / $law->tripAmperes, $this->shown('holds-by-breaker:rcd:all', ['line-earth-leak', 's2', 1e4])->levels[0], 0.05);
        self::assertLessThan(0.05, $this->shown('holds-by-breaker:rcd:none', ['line-earth-leak', 's2', 1e4])->levels[0]);
    }

    public function testEveryTestThatATesterReadsHasAFigureHereOrInItsStory(): void
    {
        $figured = ['ring-cross-ln' => true, 'neutral-to-neutral' => true, 'line-to-other-neutral' => true, 'plug-in-check' => true, 'residual-pair' => true, 'neutral-of-off-circuit' => true, 'rcd-ramp' => true, 'trace-circuit' => true, 'heat-look' => true, 'function-check' => true, 'holds-unplugged' => true, 'holds-by-breaker' => true];
        foreach ([...self::dead(), ...self::live()] as $row) {
            $figured[explode(':', $row[0])[0]] = true;
        }
        foreach (TestCatalogue::all() as $procedure) {
            self::assertTrue($procedure instanceof Unmeasured || isset($figured[$procedure->slug()]), $procedure->slug());
        }
    }

    /** @param array{}|array{string, string, float} $fault */
    private function shown(string $test, array $fault = [], string $system = 'TN-C-S'): Shown
    {
        $house = Houses::worked($system);
        $measurement = TestCatalogue::plans($house)[$test]->measurement;
        $change = [] === $fault ? null : Fault::at($house, $fault[0], $fault[1], $fault[2])->change($house);

        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($change);
    }
}
