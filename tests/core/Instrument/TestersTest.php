<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\NewBranch;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Aid;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\Settling;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** What each tester applies and shows, and where it runs out of range. */
final class TestersTest extends TestCase
{
    public function testEveryTesterSaysHowItMisleadsAndEverySettingIsInOneFamily(): void
    {
        $slugs = [];
        foreach (Instruments::families() as $family => $settings) {
            self::assertNotSame('', $family);
            foreach ($settings as $instrument) {
                $slugs[] = $instrument->slug();
                self::assertNotSame('', $instrument->trap(), $instrument->slug());
                self::assertNotSame('', $instrument->words());
            }
        }
        sort($slugs);
        $all = array_keys(Instruments::all());
        sort($all);
        self::assertSame($all, $slugs);
        foreach ([Aid::Senses->value => 'senses', Aid::ProvingUnit->value => 'proving-unit'] as $value => $slug) {
            self::assertSame($slug, $value);
            self::assertNotSame('', Aid::from($value)->cannotShow());
        }
    }

    public function testTheStepsOfAnIndicatorAndItsLoad(): void
    {
        // 230 V lights 230. Filters of 4.7 + 4.7 nF on an open cpc: 58 V on 200 kΩ, 2.4 V on the 7 kΩ of both buttons.
        $house = Houses::twoCircuits('TN-C-S', 4.7);
        self::assertSame('230', $this->pattern($house, 'two-pole-indicator', ['s1.front-L', 's1.front-N']));
        $open = Fault::at($house, 'open-cpc', 'one-r1/E@2')->change($house);
        self::assertSame('50', $this->pattern($house, 'two-pole-indicator', ['load1.E', 's2.front-E'], $open));
        self::assertSame('0', $this->pattern($house, 'two-pole-indicator-load', ['load1.E', 's2.front-E'], $open));
        self::assertSame('0', $this->pattern($house, 'two-pole-indicator', ['s1.front-N', 's1.front-E']));
        // Legs of a split supply
        $panel = Houses::demo('panel-with-multiwire');
        self::assertSame('230', $this->pattern($panel, 'two-pole-indicator', ['service.L1', 'service.L2']));
        self::assertSame('120', $this->pattern($panel, 'two-pole-indicator-load', ['service.L1', 'service.N']));
    }

    public function testANonContactDetectorGlowsAtLineAndAtANeutralFloatedUp(): void
    {
        $house = Houses::worked();
        $at = fn (string $terminal, ?Change $change = null, StateChange ...$changes): string => $this->pattern($house, 'non-contact', [$terminal, HouseNetwork::GROUND], $change, ...$changes);
        self::assertSame('glows', $at('s2.front-L'));
        self::assertSame('dark', $at('s2.front-N'));
        $open = Fault::at($house, 'open-neutral', 'rad-r2/N@1')->change($house);
        self::assertSame('glows', $at('s2.front-N', $open, new StateChange('load', 's2.front', 'heater')));
        self::assertSame('dark', $at('s2.front-L', null, new StateChange('set', 'way2', 'off')));
    }

    public function testATracerHearsItsOwnCircuit(): void
    {
        $house = Houses::worked();
        $dead = [new StateChange('set', 'main', 'off'), new StateChange('set', 'way2', 'off')];
        self::assertSame('signal', $this->pattern($house, 'tracer', ['way2.out', 's1.front-L', 's1.front-E'], null, ...$dead));
        self::assertSame('none', $this->pattern($house, 'tracer', ['way1.out', 's1.front-L', 's1.front-E'], null, new StateChange('set', 'way1', 'off'), ...$dead));
    }

    public function testContinuitySoundersHaveAThreshold(): void
    {
        $house = Houses::worked();
        $dead = [new StateChange('set', 'main', 'off'), new StateChange('set', 'way2', 'off'), new StateChange('load', 'fridge', 'out'), new StateChange('lift', 'rad-r1/N@1')];
        foreach ([[40.0, 'sounds', 'sounds'], [80.0, 'silent', 'sounds'], [2e5, 'silent', 'sounds'], [5e5, 'silent', 'silent']] as [$ohms, $buzzer, $indicator]) {
            $leak = new Change([], [NewBranch::contact('s1.N', 's1.E', $ohms)]);
            self::assertSame($buzzer, $this->pattern($house, 'buzzer', ['s1.front-N', 's1.front-E'], $leak, ...$dead));
            self::assertSame($indicator, $this->pattern($house, 'two-pole-continuity', ['s1.front-N', 's1.front-E'], $leak, ...$dead), (string) $ohms);
        }
    }

    public function testOhmmetersRunOutOfRange(): void
    {
        $house = Houses::worked();
        $dead = [new StateChange('set', 'main', 'off'), new StateChange('set', 'way2', 'off'), new StateChange('load', 'fridge', 'out'), new StateChange('lift', 'rad-r1/N@1')];
        $shown = fn (string $tester, float $ohms): Shown => $this->shown($house, $tester, Connection::leads('s1.front-N', 's1.front-E'), new Change([], [NewBranch::contact('s1.N', 's1.E', $ohms)]), ...$dead);
        self::assertSame(ShownKind::Value, $shown('low-ohm', 1900.0)->kind);
        self::assertSame(ShownKind::Over, $shown('low-ohm', 2100.0)->kind);
        foreach (['insulation-tester', 'insulation-tester-250', 'insulation-tester-1000'] as $tester) {
            self::assertEqualsWithDelta(150e6, $shown($tester, 150e6)->value, 0.2e6, $tester);
            self::assertSame(ShownKind::Over, $shown($tester, 1.2e9)->kind, $tester);
        }
    }

    public function testAnInsulationTesterSagsAndAnArresterThenStaysQuiet(): void
    {
        // 1 mA at most: on 100 kΩ it holds 100 V, on 600 kΩ its 500, where the arrester of 430 V and 20 kΩ conducts 3.5 mA
        // more than it gives: it settles at 430 V + 20 kΩ · (1 mA − 430 V/600 kΩ) = 435.5 V and shows 435.5 kΩ.
        $house = Houses::surgeProtected();
        $dead = [new StateChange('set', 'main', 'off'), new StateChange('lift', 'rcd-nbar-link/N@2')];
        $shown = fn (float $ohms): float => $this->shown($house, 'insulation-tester', Connection::leads('rcd-nbar.t1', 'met.t1'), new Change([], [NewBranch::contact('s1.N', 's1.E', $ohms)]), ...$dead)->value;
        self::assertEqualsWithDelta(100e3, $shown(100e3), 50.0);
        self::assertEqualsWithDelta(435.5e3, $shown(600e3), 1.5e3);
    }

    public function testAnInsulationTesterTakesTimeToCharge(): void
    {
        // 10 µF to earth left in: 10 µF · 500 V / 1 mA = 5 s, half of it at 250 V; cable alone is nothing to speak of.
        $house = Houses::with(Houses::twoCircuits(), 'load1', ['filterNanofarads' => 10000]);
        $state = State::resting($house)->after(new StateChange('set', 'main', 'off'), new StateChange('lift', 'one-r1/N@1'), new StateChange('set', 'way1', 'off'));
        $seconds = static fn (string $tester, State $state): float => Settling::seconds($house, new Measurement($state, Instruments::get($tester), Connection::leads('s1.front-L', 's1.front-E')));
        self::assertEqualsWithDelta(5.0, $seconds('insulation-tester', $state), 0.01);
        self::assertEqualsWithDelta(2.5, $seconds('insulation-tester-250', $state), 0.01);
        self::assertLessThan(0.01, $seconds('insulation-tester', $state->after(new StateChange('load', 'load1', 'out'))));
        self::assertSame(0.0, $seconds('low-ohm', $state));
    }

    public function testCapacitanceOfADampCableIsNoReading(): void
    {
        $house = Houses::worked();
        $state = [new StateChange('set', 'main', 'off'), new StateChange('set', 'way2', 'off'), new StateChange('load', 'fridge', 'out'), new StateChange('lift', 'rad-r1/N@1')];
        $shown = fn (?Change $change): Shown => $this->shown($house, 'capacitance-meter', Connection::leads('s1.N', 's1.E'), $change, ...$state);
        self::assertSame(ShownKind::Value, $shown(null)->kind);
        self::assertSame(ShownKind::Nothing, $shown(new Change([], [NewBranch::contact('s1.N', 's1.E', 1e3)]))->kind);
    }

    public function testClampsFormThePhasorSumOfWhatTheyEmbrace(): void
    {
        $house = Houses::with(Houses::worked(), 'fridge', ['watts' => 2300]);
        $read = fn (string $tester, string ...$around): Shown => $this->shown($house, $tester, Connection::around(...$around), null);
        self::assertEqualsWithDelta(9.8, $read('clamp', '+rad-r1/L')->value, 0.1);
        self::assertEqualsWithDelta(19.6, $read('clamp', '+rad-r1/L', '-rad-r1/N')->value, 0.2);
        $both = $read('leakage-clamp', '+rad-r1/L', '+rad-r1/N');
        // The neutral stands some volts up under load: a little less than the 0.9032 mA without.
        self::assertEqualsWithDelta(0.87e-3, $both->value, 0.04e-3);
        // Milliamps next to amps: 0.3 % of 9.8 A is 29 mA of error.
        self::assertEqualsWithDelta(9.8, $both->through, 0.1);
        $accuracy = Instruments::get('leakage-clamp')->accuracy();
        self::assertGreaterThan(0.014, $accuracy->repeatability(Instruments::get('leakage-clamp')->scale(), $both));
        self::assertEqualsWithDelta($both->value, $read('clamp-logger', '+rad-r1/L', '+rad-r1/N')->value, 1e-9);
    }

    public function testAThermalCameraNeedsLoad(): void
    {
        $house = Houses::worked();
        $bad = Fault::at($house, 'accessory-contact', 's1.front-L', 0.1)->change($house);
        $looks = fn (StateChange ...$changes): string => $this->patternOf($house, 'thermal-camera', Connection::around('+s1/front-L'), $bad, ...$changes);
        self::assertSame('alike', $looks());
        self::assertSame('hotter', $looks(new StateChange('load', 's1.front', 'heater')));
    }

    public function testAnElectrodeTesterReadsOneRodOrTheWholeMesh(): void
    {
        $house = Houses::worked('TT');
        $lifted = [new StateChange('set', 'main', 'off'), new StateChange('lift', 'earthing/E@1')];
        self::assertEqualsWithDelta(73.0, $this->shown($house, 'electrode-tester', Connection::leads('rod.E', HouseNetwork::GROUND), null, ...$lifted)->value, 0.01);
        // With the bonding left on: 73 beside 10.022 Ω.
        self::assertEqualsWithDelta(73.0 * 10.025 / 83.025, $this->shown($house, 'electrode-tester', Connection::leads('rod.E', HouseNetwork::GROUND), null, $lifted[0])->value, 0.01);
    }

    public function testTwoLeaksReadAsOneBetweenThem(): void
    {
        // 30 kΩ at the first point (0.111 Ω) and at the second (0.185 Ω): half-way, 0.148 Ω; 'leak-locator' cannot tell.
        $house = Houses::worked();
        $measurement = TestCatalogue::plans($house)['loop-ratio:rad:L']->measurement;
        self::assertSame('leak-locator', $measurement->instrument->slug());
        $leaks = Fault::at($house, 'line-earth-leak', 's1', 3e4)->change($house)->and(Fault::at($house, 'line-earth-leak', 's2', 3e4)->change($house));
        self::assertEqualsWithDelta(0.1482, (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($leaks)->value, 1e-3);
    }

    public function testASingleRodIsNoMesh(): void
    {
        $house = Houses::twoCircuits('TT');
        $document = Houses::worked('TT')->document;
        \assert(\is_array($document['cables']));
        unset($document['cables']['bond']);
        $alone = House::fromDocument($document);
        self::assertSame(ShownKind::Over, $this->shown($alone, 'earth-clamps', Connection::around('+earthing/E'), null)->kind, 'only the cables’ own capacitance closes that loop');
        self::assertSame([], array_filter(array_keys(TestCatalogue::plans($house)), static fn (string $id): bool => str_starts_with($id, 'electrode-clamps')), 'no electrode of its own to clamp');
    }

    public function testThreeLampsForEitherVoltage(): void
    {
        self::assertSame('110', $this->pattern(Houses::worked(), 'plug-in-tester', ['s1.front-L', 's1.front-N', 's1.front-E']));
        self::assertSame('110', $this->pattern(Houses::demo('panel-with-multiwire'), 'plug-in-tester', ['counter-l.upper-L', 'counter-l.upper-N', 'counter-l.upper-E']));
        // "An earth of tens of kΩ shows as good"
        $house = Houses::worked();
        $poor = Fault::at($house, 'accessory-contact', 's1.front-E', 1e9)->change($house)->and(new Change([], [NewBranch::contact('s1.front-E', 's1.E', 40e3)]));
        self::assertSame('110', $this->pattern($house, 'plug-in-tester', ['s1.front-L', 's1.front-N', 's1.front-E'], $poor));
    }

    public function testTheOtherHalfWaveTakesALeakAwayFromTheTestCurrent(): void
    {
        // 10 mA in phase: it opens at 22 − 10 = 12 mA, started the other way at 32.
        $house = Houses::twoCircuits();
        $leak = Fault::at($house, 'line-earth-leak', 's2', 23e3)->change($house);
        $at = fn (string $setting, ?Change $change): Shown => $this->shown($house, $setting, Connection::acting(['rcd.Lout', 'met.t1'], ['+rcd/L', '+rcd/N']), $change);
        self::assertEqualsWithDelta(12e-3, $at('rcd-ramp', $leak)->value, 0.1e-3);
        self::assertEqualsWithDelta(32e-3, $at('rcd-ramp-180', $leak)->value, 0.1e-3);
        foreach (['rcd-1' => 'rcd-1-180', 'rcd-2' => 'rcd-2-180', 'rcd-5' => 'rcd-5-180', 'rcd-half' => 'rcd-half-180'] as $one => $other) {
            self::assertEqualsWithDelta($at($one, null)->value, $at($other, null)->value, 1e-4, 'a sound house knows no half-wave');
        }
        // At 180° the 30 mA of 1 × are 20 on the device: it holds; 2 × is 50 and opens, slower than the 70 at 0°.
        self::assertSame(ShownKind::Over, $at('rcd-1-180', $leak)->kind);
        self::assertGreaterThan($at('rcd-2', $leak)->value, $at('rcd-2-180', $leak)->value);
        self::assertSame(ShownKind::Value, $at('rcd-half', $leak)->kind);
        self::assertSame(ShownKind::Over, $at('rcd-half-180', $leak)->kind);
    }

    public function testALampIsAWitness(): void
    {
        $house = Houses::ringAndLights();
        $looks = static function (string $test, ?Change $change = null) use ($house): string {
            $measurement = TestCatalogue::plans($house)["function-check:$test"]->measurement;
            \assert($measurement->instrument instanceof PatternInstrument && 'lamp' === $measurement->instrument->slug());

            return $measurement->instrument->pattern((new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read($change));
        };
        self::assertSame(['lit', 'dark', 'lit', 'dark', 'lit'], [$looks('l1:on'), $looks('l1:off'), $looks('stair:on'), $looks('stair:off'), $looks('stair:over')]);
        $fault = static fn (string $kind, string $site, ?float $ohms = null): Change => Fault::at($house, $kind, $site, $ohms)->change($house);
        self::assertSame('dark', $looks('l1:on', $fault('open-line', 'l1-drop/SL@1')));
        // One strapper open: dark in one of the two positions that ought to light it.
        $strapper = $fault('strapper-open', 'stair-strappers/L@1');
        self::assertSame(['dark', 'lit'], [$looks('stair:on', $strapper), $looks('stair:over', $strapper)]);
        // 1000 Ω before a lamp of 1322 Ω: 57 % of the voltage.
        self::assertSame('dim', $looks('l1:on', $fault('high-resistance-joint', 'l1-drop/SL@1', 1000.0)));
    }

    public function testTheDeviceItselfIsAWitness(): void
    {
        $house = Houses::worked();
        $watch = Instruments::get('device-watch');
        \assert($watch instanceof PatternInstrument);
        $of = fn (string $device, ?Change $change, StateChange ...$changes): Shown => $this->shown($house, 'device-watch', Connection::around(...('rcd' === $device ? ['+rcd/L', '+rcd/N'] : ["+$device/L"])), $change, ...$changes);
        self::assertSame('holds', $watch->pattern($of('rcd', null)));
        // 23 kΩ: 10 of 22 mA; 9 kΩ: 25.6 of 22. Its breaker off, the leak is gone.
        $leak = static fn (float $ohms): Change => Fault::at($house, 'line-earth-leak', 's1', $ohms)->change($house);
        self::assertEqualsWithDelta(10.0 / 22.0, $of('rcd', $leak(23e3))->levels[0], 0.02);
        self::assertSame('trips', $watch->pattern($of('rcd', $leak(9e3))));
        self::assertSame('holds', $watch->pattern($of('rcd', $leak(9e3), new StateChange('set', 'way2', 'off'))));
        // A contact of neutral and earth: load anywhere trips it, its own breaker off or not.
        $contact = Fault::at($house, 'neutral-earth-fault', 's1', 0.01)->change($house);
        self::assertSame('trips', $watch->pattern($of('rcd', $contact, new StateChange('set', 'way2', 'off'), new StateChange('load', 'a.front', 'heater'), new StateChange('load', 'b.front', 'heater'))));
        // A short opens its breaker: 1.28 times 16 A is where it begins to.
        self::assertSame('trips', $watch->pattern($of('way2', Fault::at($house, 'line-neutral-fault', 's1', 5.0)->change($house))));
        self::assertSame('holds', $watch->pattern($of('way2', null, new StateChange('load', 's1.front', 'heater'))));
        // A stuck one sees it and does nothing; an even chance lies at its trip current.
        self::assertSame('holds', $watch->pattern($of('rcd', $leak(300.0)->and(Fault::at($house, 'rcd-stuck', 'rcd')->change($house)))));
        self::assertEqualsWithDelta(0.5, $watch->probability(Shown::levels([1.0]), 'trips'), 1e-9);
        self::assertEqualsWithDelta(1.0, $watch->probability(Shown::levels([0.7]), 'trips') + $watch->probability(Shown::levels([0.7]), 'holds'), 1e-12);
    }

    public function testWithoutHighCurrentTheResidualCoreIsInTheLoop(): void
    {
        // 50 mΩ of a device for a whole group, 250 mΩ of an RCBO; nothing of either at 20 A.
        foreach ([[Houses::worked(), 's1', 0.05], [Houses::ringsAndHeater(), 'a1', 0.25]] as [$house, $point, $uplift]) {
            $high = $this->shown($house, 'loop-2-wire', Connection::leads("$point.front-L", "$point.front-E"), null)->value;
            self::assertEqualsWithDelta($uplift, $this->shown($house, 'loop-3-wire', Connection::leads("$point.front-L", "$point.front-N", "$point.front-E"), null)->value - $high, 2e-3);
        }
    }

    /** @param list<string> $leads */
    private function pattern(House $house, string $tester, array $leads, ?Change $change = null, StateChange ...$changes): string
    {
        return $this->patternOf($house, $tester, Connection::leads(...$leads), $change, ...$changes);
    }

    private function patternOf(House $house, string $tester, Connection $connection, ?Change $change, StateChange ...$changes): string
    {
        $instrument = Instruments::get($tester);
        \assert($instrument instanceof PatternInstrument);

        return $instrument->pattern($this->shown($house, $tester, $connection, $change, ...$changes));
    }

    private function shown(House $house, string $tester, Connection $connection, ?Change $change, StateChange ...$changes): Shown
    {
        return (new Bench($house, State::resting($house)->after(...$changes), Instruments::get($tester), $connection))->read($change);
    }
}
