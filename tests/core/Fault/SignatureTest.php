<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultNature;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/**
 * The signature of each fault as the trade knows it. A test is one of the catalogue, or "tester at terminals, changes of
 * state"; what it shows is a range, a kind of display or a pattern.
 *
 * @phpstan-type Seen list<array{string, array{float, float}|string}>
 */
final class SignatureTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, float|null, Seen}> house, kind, site, ohms, what is seen */
    public static function signatures(): iterable
    {
        yield from self::connections();
        yield from self::opens();
        yield from self::neutrals();
        yield from self::leaks();
        yield from self::supply();
        yield from self::joints();
        yield from self::appliances();
    }

    /** @return iterable<string, array{string, string, string, float|null, Seen}> */
    private static function connections(): iterable
    {
        yield 'line-neutral-reversed' => ['worked', 'line-neutral-reversed', 'a', null, [['plug-in-check:a.front', '101'], ['polarity-live:a.front:N-E', [228, 231]], ['ring-cross-le:a.front', 'over'], ['plug-in-check:c.front', '110']]];
        yield 'a whole way reversed' => ['worked', 'line-neutral-reversed', 'way:low', null, [['voltmeter-high-z at light.N light.E', [228, 231]]]];
        yield 'line-earth-swapped' => ['worked', 'line-earth-swapped', 's1', null, [['voltmeter-high-z at s1.front-E met.t1', [228, 231]], ['plug-in-check:s1.front', '011'], ['plug-in-check:s2.front', '110']]];
        yield 'neutral-earth-swapped' => ['worked', 'neutral-earth-swapped', 's1', null, [['plug-in-check:s1.front', '110'], ['r1-r2:s1', 'over'], ['leakage-clamp at +rcd/L +rcd/N, load s1.front heater', [2.0, 9.0]], ['clamp at +rad-r1/E, load s1.front heater', [2.0, 9.0]]]];
        yield 'bootleg-earth' => ['two-core', 'bootleg-earth', 's2', null, [['plug-in-check:s2.front', '110'], ['low-ohm at s2.front-E met.t1, set main off, set way2 off, lift rad-r1/N@1, load fridge out', 'over']]];
        yield 'reversed-bootleg' => ['two-core', 'reversed-bootleg', 's2', null, [['plug-in-check:s2.front', '110'], ['voltmeter-low-z at s2.front-E met.t1, load fridge out', [225, 231]]]];
        yield 'supply-polarity-reversed' => ['worked', 'supply-polarity-reversed', 'tails', null, [['supply-polarity:service:N-E', [229, 231]], ['supply-polarity:service:L-E', [0, 0.1]], ['polarity-live:s1.front:N-E', [229, 231]]]];
        yield 'head-crossed' => ['worked', 'head-crossed', 'service', null, [['polarity-live:s1.front:L-N', [227, 231]], ['polarity-live:s1.front:N-E', [0, 1]], ['met-true-earth:resting', [190, 231]], ['clamp at +earthing/E', [15, 25]]]];
        yield 'tab-not-removed' => ['panel', 'tab-not-removed', 'den', null, [['voltmeter-low-z at den.top-L den.top-N', [110, 126]], ['voltmeter-low-z at den.bottom-L den.bottom-N', [110, 126]]]];
        yield 'tab-neutral-removed' => ['panel', 'tab-neutral-removed', 'den', null, [['voltmeter-low-z at den.bottom-L den.bottom-N', [110, 126]], ['voltmeter-low-z at den.top-L den.top-N, set den-switch on', [0, 40]]]];
        yield 'line-load-swapped, a recent device stays dead' => ['panel', 'line-load-swapped', 'bath', null, [['voltmeter-low-z at bath.front-L bath.front-N', [0, 5]]]];
        yield 'switch-in-neutral' => ['worked', 'switch-in-neutral', 'light', null, [['voltmeter-low-z at light.lamp-L light.E', [228, 231]], ['voltmeter-low-z at light.lamp-L light.lamp-N, set light-sw on', [225, 231]]]];
    }

    /** @return iterable<string, array{string, string, string, float|null, Seen}> */
    private static function opens(): iterable
    {
        yield 'open-line' => ['worked', 'open-line', 'rad-r2/L@1', null, [['plug-in-check:s2.front', '000'], ['plug-in-check:s1.front', '110'], ['r1-r2:s2', 'over']]];
        yield 'open-neutral' => ['no-filter', 'open-neutral', 'rad-r2/N@1', null, [['plug-in-check:s2.front', '010'], ['plug-in-check:s1.front', '110'], ['polarity-live:s2.front:L-E', [229, 231]]]];
        // Both legs share it: 7.2 Ω on one, 14.4 on the other: 80 and 160 V.
        yield 'open-neutral of a multiwire branch' => ['panel', 'open-neutral', 'mw-1/N@1', null, [['voltmeter-low-z at counter-l.upper-L counter-l.upper-N, load counter-l.upper heater, load counter-l.lower heater, load counter-r.upper heater', [75, 85]], ['voltmeter-low-z at counter-r.upper-L counter-r.upper-N, load counter-l.upper heater, load counter-l.lower heater, load counter-r.upper heater', [150, 162]]]];
        yield 'open-cpc' => ['worked', 'open-cpc', 'rad-r2/E@1', null, [['plug-in-check:s1.front', '110'], ['r1-r2:s2', 'over'], ['zs:s2.front:L-E', 'over'], ['zs:s1.front:L-E', [0.4, 0.45]]]];
        yield 'no-cpc' => ['no-filter', 'no-cpc', 'rad', null, [['plug-in-check:s1.front', '100'], ['plug-in-check:s2.front', '100'], ['r1-r2:s1', 'over']]];
        yield 'strapper-open' => ['ring', 'strapper-open', 'stair-strappers/L@1', null, [['voltmeter-low-z at stair.SL stair.N, set foot 1, set head 1', [0, 20]], ['voltmeter-low-z at stair.SL stair.N, set foot 2, set head 2', [225, 231]]]];
        yield 'accessory-contact' => ['worked', 'accessory-contact', 's1.front-N', 3.0, [['zs:s1.front:L-N', [3.3, 3.4]], ['loop-2-wire at s1.L s1.N', [0.3, 0.4]], ['zs:s1.front:L-E', [0.4, 0.45]]]];
        // What is left is the bonded pipe: 10 Ω, the street's electrode 1 Ω and what follows.
        yield 'earthing-conductor-open' => ['worked', 'earthing-conductor-open', 'earthing', null, [['zs:s1.front:L-E', [11.2, 11.6]], ['r1-r2:s1', [0.29, 0.3]]]];
        yield 'supply-neutral-open' => ['rod', 'supply-neutral-open', 'service', null, [['voltmeter-low-z at bench.left-L bench.left-N, load bench.right heater', [0, 100]], ['voltmeter-low-z at bench.left-N met.t1, load bench.right heater', [120, 231]]]];
        yield 'lost-pen in the street' => ['worked', 'lost-pen', 'service:street', 1e6, [['met-true-earth:resting', [10, 231]], ['polarity-live:s1.front:N-E', [0, 1]]]];
        // 7.2 Ω on leg 1, and the return through 25 Ω of electrode and 1 Ω: 120 · (1 + (26 − 7.2)/(26 + 7.2)) on the other leg.
        yield 'lost-supply-neutral' => ['panel', 'lost-supply-neutral', 'service', 1e6, [['voltmeter-low-z at service.L1 service.N, load counter-l.upper heater', [20, 45]], ['voltmeter-low-z at service.L2 service.N, load counter-l.upper heater', [195, 220]], ['voltmeter-low-z at service.L1 service.L2, load counter-l.upper heater', [235, 241]]]];
        yield 'ring-open, one conductor: twice' => ['worked', 'ring-open', 'ring-r2:N', null, [['ring-ends:ring:N', 'over'], ['ring-ends:ring:L', [0.49, 0.51]], ['ring-cross-ln:a.front', [0.495, 0.51]], ['ring-cross-ln:c.front', [0.495, 0.51]]]];
        yield 'ring-open, all' => ['worked', 'ring-open', 'ring-r2:all', null, [['ring-cross-ln:a.front', 'over'], ['ring-cross-ln:c.front', 'over'], ['ring-order:a.front', [0.32, 0.34]], ['ring-order:b.front', 'over']]];
        // L broken between b and c: r2 at the board, falling to x·r1 + (1−x)·r2 = 0.738 at a quarter.
        yield 'ring-open, L broken, cross-joined to cpc' => ['worked', 'ring-open', 'ring-r3:L', null, [['ring-cross-le:a.front', [0.73, 0.745]]]];
        // With the ends of the other ring still in its terminal both rings are in series, 80 m · 7.41; lifted too, it is open.
        yield 'ring-cross-joined, legs exchanged' => ['rings', 'ring-cross-joined', 'one~two', null, [['ring-ends:one:L', [0.585, 0.6]], ['low-ohm at one-r1/L@1 one-r4/L@2, set main off, lift one-r1/L@1, lift one-r4/L@2, lift two-r1/L@1, lift two-r4/L@2', 'over'], ['voltmeter-low-z at a1.front-L a1.front-N, set way1 off', [225, 231]]]];
        yield 'ring-cross-joined by a cable' => ['rings', 'ring-cross-joined', 'one~two:cable', null, [['ring-ends:one:L', [0.29, 0.3]], ['voltmeter-low-z at a1.front-L a1.front-N, set way1 off', [225, 231]]]];
        yield 'ring-bridged' => ['worked', 'ring-bridged', 'a~c', 0.05, [['ring-ends:ring:L', [0.28, 0.32]], ['ring-cross-ln:b.front', [0.24, 0.26]], ['ring-cross-ln:a.front', [0.13, 0.17]]]];
        // The spur hangs on b, which is the first of the two now off the ring.
        yield 'spur-on-spur' => ['worked', 'spur-on-spur', 'b-c', null, [['ring-cross-ln:a.front', [0.12, 0.2]], ['ring-cross-ln:b.front', [0.36, 0.45]], ['ring-cross-ln:c.front', [0.6, 0.7]]]];
    }

    /** @return iterable<string, array{string, string, string, float|null, Seen}> */
    private static function neutrals(): iterable
    {
        // 40 W is 0.174 A. The stair light is on with both switches in one position.
        yield 'borrowed-neutral' => ['ring', 'borrowed-neutral', 'stair~up', null, [['leakage-clamp at +rcd-a/L +rcd-a/N, set head 1', [0.165, 0.18]], ['leakage-clamp at +rcd-b/L +rcd-b/N, set head 1', [0.165, 0.18]], ['leakage-clamp at +rcd-b/L +rcd-b/N', [0, 0.003]], ['neutral-to-neutral:low:up', 'over'], ['line-to-other-neutral:stair:up', [93, 97]]]];
        yield 'joined-neutrals' => ['ring', 'joined-neutrals', 'low~up', 0.2, [['neutral-to-neutral:low:up', [0.3, 1.0]], ['leakage-clamp at +rcd-a/L +rcd-a/N, set l1-sw on', [0.01, 0.17]], ['leakage-clamp at +rcd-b/L +rcd-b/N, set l1-sw on', [0.01, 0.17]]]];
        yield 'neutral-wrong-bar' => ['ring', 'neutral-wrong-bar', 'up~rcd-a-nbar', null, [['leakage-clamp at +rcd-a/L +rcd-a/N, set u1-sw on', [0.16, 0.18]], ['leakage-clamp at +rcd-b/L +rcd-b/N, set u1-sw on', [0.16, 0.18]]]];
        yield 'rcbo-neutral-on-bar' => ['rod', 'rcbo-neutral-on-bar', 'shed-sockets', null, [['leakage-clamp at +shed-way/L +shed-way/N, load bench.left heater', [7, 9]]]];
        yield 'rcbo-neutrals-swapped' => ['rings', 'rcbo-neutrals-swapped', 'one~two', null, [['leakage-clamp at +way1/L +way1/N, load a1.front heater', [8, 9]], ['leakage-clamp at +way2/L +way2/N, load a1.front heater', [8, 9]]]];
        yield 'device-mixed-groups' => ['ring', 'device-mixed-groups', 'rcd-a~rcd-b', null, [['leakage-clamp at +rcd-a/L +rcd-a/N, load kettle on', [9, 11]], ['leakage-clamp at +rcd-b/L +rcd-b/N, load kettle on', [9, 11]]]];
        yield 'multiwire-through-device' => ['panel', 'multiwire-through-device', 'kitchenette~way5', null, [['leakage-clamp at +way5/L +way5/N, load counter-r.upper heater', [15, 17.5]], ['leakage-clamp at +way5/L +way5/N, load counter-l.upper heater', [0, 0.01]]]];
        yield 'multiwire-same-leg' => ['panel', 'multiwire-same-leg', 'kitchenette', null, [['voltmeter-high-z at counter-l.upper-L counter-r.upper-L', [0, 1]], ['clamp at +mw-1/N, load counter-l.upper heater, load counter-r.upper heater', [30, 35]]]];
        yield 'neutral-earth-fault' => ['worked', 'neutral-earth-fault', 's1', 0.01, [['neutral-to-earth:rad', 'value'], ['leakage-clamp at +rcd/L +rcd/N, load s2.front heater', [2.5, 5]], ['leakage-clamp at +rcd/L +rcd/N, set way2 off, load a.front heater', [0.005, 0.4]], ['zs:s1.front:L-E', [0.3, 0.42]]]];
        yield 'second-ne-bond' => ['rod', 'second-ne-bond', 'shed-board', 0.002, [['clamp at +to-shed/E, load bench.left heater', [0.01, 9]], ['low-ohm at shed-nbar.t1 shed-ebar.t1, set main off, set shed-main off, lift shed-n/N@2', [0, 0.2]]]];
    }

    /** @return iterable<string, array{string, string, string, float|null, Seen}> */
    private static function leaks(): iterable
    {
        // 230 V / 10 kΩ = 23 mA, without any load and only as its breaker closes
        yield 'line-earth-leak' => ['worked', 'line-earth-leak', 's2', 1e4, [['insulation:rad:L–E', [9.9e3, 10.1e3]], ['residual-clamp:rad', [0.0225, 0.0235]], ['leakage-clamp at +rcd/L +rcd/N, set way2 off', [0, 0.001]], ['insulation:rad:N–E', 'over']]];
        yield 'line-neutral-fault' => ['worked', 'line-neutral-fault', 's2', 50.0, [['insulation:rad:L–N', [49, 52]], ['residual-clamp:rad', [0, 0.002]], ['clamp at +rad-r1/L', [4.4, 4.7]]]];
        yield 'low-insulation' => ['worked', 'low-insulation', 'rad-r1:L-E', 3e5, [['insulation:rad:L–E', [2.9e5, 3.1e5]], ['insulation:rad:N–E', 'over'], ['residual-clamp:rad', [0.0008, 0.002]]]];
        yield 'pinched-lead' => ['worked', 'pinched-lead', 'light-sw.COM', 3e4, [['insulation:low:L–E', [2.9e4, 3.1e4]], ['residual-clamp:low', [0.0075, 0.0078]]]];
        yield 'buried-cable-damaged' => ['rod', 'buried-cable-damaged', 'to-shed:N-E', 5e3, [['insulation:shed-feed:N–E', [4.9e3, 5.1e3]], ['insulation:shed-feed:L–E', 'over']]];
        yield 'element-damp' => ['rings', 'element-damp', 'heater', 1e5, [['insulation-tester at heater.L heater.E, set main off, set way3 off, lift hot-r1/N@1', [9.9e4, 1.01e5]], ['insulation-tester at heater.N heater.E, set main off, set way3 off, lift hot-r1/N@1', [9.9e4, 1.01e5]]]];
        // Driven by the share of the voltage at the failed place: 115 V / (10 kΩ and a quarter of the element) in the middle.
        yield 'element-failed, in the middle' => ['rings', 'element-failed', 'heater:middle', 1e4, [['leakage-clamp at +way3/L +way3/N', [0.0112, 0.0118]]]];
        yield 'element-failed, at the line' => ['rings', 'element-failed', 'heater:line', 1e4, [['leakage-clamp at +way3/L +way3/N', [0.0225, 0.0235]]]];
        yield 'element-failed, at the neutral' => ['rings', 'element-failed', 'heater:neutral', 1e4, [['leakage-clamp at +way3/L +way3/N', [0, 0.001]]]];
        yield 'element-broken-leaking, line stump' => ['rings', 'element-broken-leaking', 'heater:line', 1e4, [['clamp at +hot-r1/L', [0, 0.05]], ['leakage-clamp at +way3/L +way3/N', [0.022, 0.0235]]]];
        yield 'element-broken-leaking, neutral stump' => ['rings', 'element-broken-leaking', 'heater:neutral', 1e4, [['clamp at +hot-r1/L', [0, 0.05]], ['leakage-clamp at +way3/L +way3/N', [0, 0.001]]]];
        // 23 kΩ of reactance: 10 mA that no insulation tester sees
        yield 'standing-leakage' => ['worked', 'standing-leakage', 'rad', 23e3, [['insulation:rad:L–E', 'over'], ['residual-clamp:rad', [0.0099, 0.0112]]]];
        yield 'surge-device-failed, aged' => ['surge', 'surge-device-failed', 'surge', 5e4, [['leakage-clamp at +rcd/L +rcd/N', [0.0044, 0.0049]]]];
        yield 'surge-device-failed, short' => ['surge', 'surge-device-failed', 'surge', 0.05, [['low-ohm at surge.L surge.E, set main off', [0, 0.1]]]];
    }

    /** @return iterable<string, array{string, string, string, float|null, Seen}> */
    private static function supply(): iterable
    {
        yield 'electrode-dry' => ['rod', 'electrode-dry', 'electrode', 1500.0, [['zs:bench.left:L-E', [1500, 1999]], ['rcd-times:rcd:1', 'nothing']]];
        yield 'bonding-missing' => ['worked', 'bonding-missing', 'bond', null, [['bonding-continuity:bond', 'over'], ['low-ohm at water.E met.t1, set main off', [10.5, 11.6]]]];
        // A pipe beside 10 m of 1.5 mm² (121 mΩ): 0.05 Ω over the bonding's 22 mΩ, in parallel.
        yield 'parallel-earth' => ['rings', 'parallel-earth', 'heater~water', 0.05, [['low-ohm at heater.E met.t1, set main off', [0.04, 0.05]]]];
        yield 'network-current' => ['worked', 'network-current', 'service', 2.0, [['earthing-current:earthing:on', [0.2, 0.6]], ['earthing-current:earthing:off', [0.2, 0.6]]]];
        // 63 µV/m and A · 20 A · 16.875 m = 21 mV around a ring of 0.817 Ω
        yield 'induced-current' => ['worked', 'induced-current', 'ring', null, [['leakage-clamp at +ring-r1/E', [0.0255, 0.0265]], ['residual-clamp:ring', [0, 0.001]]]];
        yield 'capacitive-glow' => ['led', 'capacitive-glow', 'light', null, [['voltmeter-high-z at light.SL light.E, load light out', [120, 230]], ['voltmeter-low-z at light.SL light.E, load light out', [1, 40]]]];
        yield 'backup-link-stuck' => ['backup', 'backup-link-stuck', 'genset', null, [['low-ohm at genset.N genset.E, set genset off, set over 2', [0, 0.1]]]];
        yield 'backup-link-missing' => ['backup', 'backup-link-missing', 'genset', null, [['voltmeter-low-z at s1.front-N s1.front-E, set over 2', [0, 200]], ['rcd-1 on rcd at s1.front-L s1.front-E, set over 2', 'nothing']]];
    }

    /** @return iterable<string, array{string, string, string, float|null, Seen}> */
    private static function joints(): iterable
    {
        yield 'high-resistance-joint' => ['worked', 'high-resistance-joint', 'rad-r2/N@1', 1.0, [['zs:s2.front:L-N', [1.45, 1.55]], ['zs:s1.front:L-N', [0.35, 0.38]], ['zs:s2.front:L-E', [0.6, 0.65]], ['volt-drop:s2.front:L-N', [215, 219]]]];
        yield 'loose-busbar' => ['worked', 'loose-busbar', 'way2-feed/L@2', 0.5, [['zs:s1.front:L-E', [0.9, 0.95]], ['zs:a.front:L-E', [0.36, 0.39]]]];
        yield 'loose-neutral-bar' => ['worked', 'loose-neutral-bar', 'rcd-nbar-link/N@2', 0.5, [['ne-under-load:s1.front:N-E', [4.9, 5.4]], ['zs:s1.front:L-N', [0.83, 0.88]], ['zs:a.front:L-N', [0.8, 0.85]], ['zs:s1.front:L-E', [0.4, 0.45]]]];
        yield 'overloaded-outlet' => ['worked', 'overloaded-outlet', 's1.front', 0.4, [['volt-drop:s1.front:L-N', [220, 225]]]];
        yield 'undersized-flex' => ['heater-flex', 'undersized-flex', 'fridge', 3.0, [['clamp at +rad-r1/L', [6.9, 7.1]]]];
    }

    /** @return iterable<string, array{string, string, string, float|null, Seen}> */
    private static function appliances(): iterable
    {
        yield 'appliance-short' => ['worked', 'appliance-short', 'fridge', 0.3, [['clamp at +rad-r1/L', [200, 400]], ['residual-clamp:rad', [0, 0.01]], ['clamp at +rad-r1/L, load fridge out', [0, 0.01]]]];
        // 230 V / 10 kΩ: 23 mA, and nothing once it is pulled out
        yield 'appliance-leak' => ['worked', 'appliance-leak', 'fridge', 1e4, [['residual-clamp:rad', [0.0225, 0.0245]], ['plug-by-plug:fridge', [0, 0.002]], ['insulation:rad:L–E', 'over']]];
        yield 'overload' => ['worked', 'overload', 'rad', 4.5, [['clamp at +rad-r1/L', [45, 55]], ['residual-clamp:rad', [0, 0.01]], ['clamp at +rad-r1/L, load fridge out', [0, 0.01]]]];
    }

    /** @param Seen $seen */
    #[DataProvider('signatures')]
    public function testASignature(string $house, string $kind, string $site, ?float $ohms, array $seen): void
    {
        $house = self::house($house);
        $change = Fault::at($house, $kind, $site, $ohms)->change($house);
        foreach ($seen as [$test, $expected]) {
            $measurement = self::measurement($house, $test);
            $shown = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($change);
            if (\is_array($expected)) {
                self::assertSame(ShownKind::Value, $shown->kind, $test);
                self::assertThat($shown->value, self::logicalAnd(self::greaterThanOrEqual($expected[0]), self::lessThanOrEqual($expected[1])), $test);
            } elseif ($measurement->instrument instanceof PatternInstrument) {
                self::assertSame($expected, $measurement->instrument->pattern($shown), $test);
            } else {
                self::assertSame($expected, $shown->kind->value, $test);
            }
        }
    }

    public function testEveryFaultThatChangesTheCircuitHasASignatureHere(): void
    {
        $written = array_unique(array_map(static fn (array $row): string => $row[1], [...array_values(iterator_to_array(self::signatures()))]));
        foreach (FaultCatalogue::all() as $slug => $kind) {
            self::assertTrue(FaultNature::Network !== $kind->nature() || \in_array($slug, $written, true), $slug);
        }
    }

    private static function house(string $name): House
    {
        return match ($name) {
            'worked' => Houses::worked(),
            'no-filter' => Houses::with(Houses::worked(), 'fridge', ['filterNanofarads' => 0]),
            'heater-flex' => Houses::with(Houses::worked(), 'fridge', ['watts' => 2000]),
            'led' => Houses::with(Houses::worked(), 'light', ['lamp' => 'led']),
            'two-core' => Houses::withoutCpc(0.0),
            'ring' => Houses::ringAndLights(),
            'rings' => Houses::ringsAndHeater(),
            'surge' => Houses::surgeProtected(),
            'backup' => Houses::backedUp(),
            'panel' => Houses::demo('panel-with-multiwire'),
            default => Houses::demo('rod-and-outbuilding'),
        };
    }

    private static function measurement(House $house, string $test): Measurement
    {
        $plan = TestCatalogue::plans($house)[$test] ?? null;
        if (null !== $plan) {
            return $plan->measurement;
        }
        self::assertSame(1, preg_match('/^(\S+)(?: on (\S+))? at ([^,]+)(.*)$/', $test, $match), $test);
        $at = explode(' ', $match[3]);
        $changes = array_map(static fn (string $change): StateChange => new StateChange(...explode(' ', trim($change))), array_filter(explode(',', $match[4])));
        $connection = match (true) {
            '' !== $match[2] => Connection::acting($at, ["+$match[2]/L", "+$match[2]/N"]),
            1 === preg_match('/^[+-]/', $at[0]) => Connection::around(...$at),
            default => Connection::leads(...$at),
        };

        return new Measurement(State::resting($house)->after(...$changes), Instruments::get($match[1]), $connection);
    }
}
