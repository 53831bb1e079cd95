<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\Attributes\DataProvider;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\CurrentPath;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** The readings that mislead: the model produces each, and the way of the current names what is behind it. */
final class MisleadingReadingsTest extends MisleadingReadings
{
    /** @return iterable<string, array{string, list<StateChange>, string, string, string}> lamp, state, N–cpc, N–switched line, cpc–switched line */
    public static function isolatedSwitch(): iterable
    {
        $breaker = new StateChange('set', 'way3', 'off');
        $main = new StateChange('set', 'main', 'off');
        $out = new StateChange('load', 'light', 'out');
        yield 'filament lamp in, neutral solid' => ['filament', [$breaker], 'sounds', 'sounds', 'sounds'];
        yield 'lamp out' => ['filament', [$breaker, $out], 'sounds', 'silent', 'silent'];
        yield 'LED' => ['led', [$breaker], 'sounds', 'silent', 'silent'];
        yield 'filament lamp in, neutral open too' => ['filament', [$breaker, $main], 'silent', 'sounds', 'silent'];
        yield 'both' => ['filament', [$breaker, $main, $out], 'silent', 'silent', 'silent'];
    }

    /** @param list<StateChange> $changes */
    #[DataProvider('isolatedSwitch')]
    public function testAnIsolatedLightingSwitchBeeps(string $lamp, array $changes, string $ne, string $nl, string $el): void
    {
        $house = Houses::with(Houses::worked(), 'light', ['lamp' => $lamp]);
        $state = State::resting($house)->after(...$changes);
        foreach ([[$ne, 'light.N', 'light.E'], [$nl, 'light.N', 'light.SL'], [$el, 'light.E', 'light.SL']] as [$expected, $a, $b]) {
            self::assertSame($expected, $this->pattern($house, 'two-pole-continuity', Connection::leads($a, $b), $state), "$a to $b");
        }
    }

    public function testWhyItBeepsHasAnExactAnswer(): void
    {
        $house = Houses::worked();
        $state = State::resting($house)->after(new StateChange('set', 'way3', 'off'));
        $path = static fn (string $a, string $b): CurrentPath => CurrentPath::of($house, new Measurement($state, Instruments::get('two-pole-continuity'), Connection::leads($a, $b)));

        // Neutral to cpc: all of it through the link of neutral and earth at the head; 10 m of 1.5 and of 1.0 mm², tail, device.
        $link = $path('light.N', 'light.E');
        self::assertEqualsWithDelta(1.0, $link->shares()['service/link'], 1e-3);
        self::assertArrayNotHasKey('light/load', $link->shares());
        self::assertEqualsWithDelta(0.121 + 0.181 + 0.003 + 0.002, $link->ohms, 2e-3);
        // Cpc to switched line: the lamp (40 W cold, 230²/40/14 = 94.5 Ω) is nearly all of the resistance.
        $lamp = $path('light.E', 'light.SL');
        self::assertSame('light/load', $lamp->steps[0]->element);
        self::assertEqualsWithDelta(94.46, $lamp->steps[0]->ohms, 0.1);
        self::assertGreaterThan(0.99, $lamp->steps[0]->resistance);
        self::assertEqualsWithDelta(1.0, $lamp->shares()['service/link'], 1e-3);
        // What the steps add is what the tester reads.
        foreach ([$link, $lamp] as $found) {
            self::assertEqualsWithDelta($found->ohms, array_sum(array_map(static fn ($step): float => $step->ohms, $found->steps)), 1e-6 * $found->ohms);
        }
    }

    public function testThroughTheGroundOneSounderSoundsAndTheOtherDoesNot(): void
    {
        // TT: neutral 0.06, the source's electrode 2 and the house's 80 Ω.
        $house = Houses::twoCircuits('TT');
        $off = State::resting($house)->after(new StateChange('set', 'way1', 'off'));
        $leads = Connection::leads('s1.N', 's1.E');
        self::assertSame('sounds', $this->pattern($house, 'two-pole-continuity', $leads, $off));
        self::assertSame('silent', $this->pattern($house, 'buzzer', $leads, $off));
        $path = CurrentPath::of($house, new Measurement($off, Instruments::get('buzzer'), $leads));
        self::assertSame(['service/electrode', 'service/star-electrode'], [$path->steps[0]->element, $path->steps[1]->element]);
    }

    /** @return iterable<string, array{float, float, float, float, float}> pipe to ground Ω, PEN Ω, star electrode Ω, share, volts of the earth terminal */
    public static function earthing(): iterable
    {
        yield 'sound, street metalwork' => [0.5, 0.06, 0.05, 0.10, 1.0];
        yield 'sound, 2 Ω' => [2.0, 0.06, 1.0, 0.02, 1.0];
        yield 'sound, 5 Ω' => [5.0, 0.06, 1.0, 0.01, 1.0];
        yield 'sound, 20 Ω' => [20.0, 0.06, 1.0, 0.003, 1.0];
        yield 'failing, street metalwork' => [0.5, 5.0, 0.05, 0.90, 8.0];
        yield 'failing, 2 Ω' => [2.0, 5.0, 1.0, 0.62, 21.0];
        yield 'failing, 5 Ω' => [5.0, 5.0, 1.0, 0.45, 36.0];
        yield 'failing, 20 Ω' => [20.0, 5.0, 1.0, 0.19, 56.0];
    }

    #[DataProvider('earthing')]
    public function testAmpsInTheEarthingConductorSaySomethingOfThePen(float $pipe, float $pen, float $star, float $share, float $volts): void
    {
        $house = Houses::with(Houses::with(Houses::worked(), 'water', ['groundOhms' => $pipe - 0.022]), 'service', ['starElectrodeOhms' => $star, 'neutralOhms' => $pen]);
        $house = Houses::with($house, 'fridge', ['watts' => 4600, 'filterNanofarads' => 0]);
        $state = State::resting($house);
        $earthing = $this->reading($house, 'clamp', Connection::around('+earthing/E'), $state);
        $load = $this->reading($house, 'clamp', Connection::around('+rad-r2/L'), $state);

        self::assertEqualsWithDelta($share, $earthing / $load, max(0.006, 0.03 * $share));
        $met = $this->reading($house, 'voltmeter-low-z', Connection::leads('met.t1', HouseNetwork::GROUND), $state);
        self::assertEqualsWithDelta($volts, $met, max(0.5, 0.03 * $volts));
        // With the main off it falls silent: it was this house's own return.
        self::assertEqualsWithDelta(0.0, $this->reading($house, 'clamp', Connection::around('+earthing/E'), $state->after(new StateChange('set', 'main', 'off'))), 1e-6);
    }

    public function testOthersCurrentInTheBondingDoesNotCareAboutTheMainSwitch(): void
    {
        $house = Houses::worked();
        $fault = Fault::at($house, 'network-current', 'service', 2.0)->change($house);
        $clamp = Connection::around('+earthing/E');
        $on = $this->reading($house, 'clamp', $clamp, State::resting($house), $fault);
        $off = $this->reading($house, 'clamp', $clamp, State::resting($house)->after(new StateChange('set', 'main', 'off')), $fault);
        self::assertGreaterThan(0.2, $on);
        self::assertEqualsWithDelta($on, $off, 0.01);
    }

    public function testNoPairOfTheHouseShowsALostPen(): void
    {
        // 23 Ω of load on 100 Ω of ground: L–N = 230 · 23/123 = 43.0 V, metalwork at 187 V; on 5 Ω: 188.9 and 41.1 V.
        foreach ([[100.0, 43.0, 187.0], [5.0, 188.9, 41.1]] as [$ground, $lineNeutral, $metalwork]) {
            $house = Houses::with(Houses::twoCircuits(), 'service', ['bondingOhms' => $ground, 'starElectrodeOhms' => 1e-3]);
            $lost = Fault::at($house, 'lost-pen', 'service', 1e9)->change($house);
            $state = State::resting($house)->after(new StateChange('load', 'load1', 'on'));
            $volts = fn (string $a, string $b): float => $this->reading($house, 'voltmeter-low-z', Connection::leads($a, $b), $state, $lost);
            self::assertEqualsWithDelta($lineNeutral, $volts('s2.front-L', 's2.front-N'), 0.4);
            self::assertEqualsWithDelta($lineNeutral, $volts('s2.front-L', 's2.front-E'), 0.4);
            self::assertEqualsWithDelta(0.0, $volts('s2.front-N', 's2.front-E'), 0.6);
            self::assertEqualsWithDelta($metalwork, $volts('met.t1', HouseNetwork::GROUND), 0.8);
        }
    }

    public function testNorLineAndPenCrossedAtTheHead(): void
    {
        $house = Houses::twoCircuits();
        $crossed = Fault::at($house, 'head-crossed', 'service')->change($house);
        $volts = fn (string $a, string $b): float => $this->reading($house, 'voltmeter-high-z', Connection::leads($a, $b), State::resting($house), $crossed);
        self::assertEqualsWithDelta(230.0, $volts('s1.front-L', 's1.front-N'), 0.5);
        self::assertEqualsWithDelta(230.0, $volts('s1.front-L', 's1.front-E'), 0.5);
        self::assertEqualsWithDelta(0.0, $volts('s1.front-N', 's1.front-E'), 0.1);
        self::assertEqualsWithDelta(230.0, $volts('met.t1', HouseNetwork::GROUND), 0.5);
    }

    public function testHalfTheVoltageOnMetalworkBecomesLittleUnderLoadAndAllOfItWithAResistiveLeak(): void
    {
        $house = Houses::twoCircuits('TN-C-S', 4.7);
        $open = Fault::at($house, 'open-cpc', 'one-r1/E@2')->change($house);
        $case = Connection::leads('load1.E', 's2.front-E');
        // 115 V behind 338.6 kΩ of reactance onto 7 kΩ: 115 · 7/338.7 = 2.4 V.
        self::assertEqualsWithDelta(2.4, $this->shown($house, 'two-pole-indicator-load', $case, State::resting($house), $open)->levels[0], 0.1);
        $leak = Fault::at($house, 'line-earth-leak', 's1', 1e4)->change($house);
        self::assertEqualsWithDelta(230.0, $this->reading($house, 'voltmeter-high-z', $case, State::resting($house), $open->and($leak)), 2.0);
    }

    public function testR1R2IsFineAndTheFrontHasNoEarth(): void
    {
        $house = Houses::twoCircuits();
        $contact = Fault::at($house, 'accessory-contact', 's1.front-E', 1e9)->change($house);
        $plans = TestCatalogue::plans($house);
        $linked = $plans['r1-r2:s1']->measurement;
        $screws = new Measurement($linked->state, $linked->instrument, Connection::leads('s1.L', 's1.E'));
        self::assertEqualsWithDelta(0.29365, $this->read($house, $screws, $contact)->value, 1e-3);
        self::assertSame(ShownKind::Over, $this->read($house, $linked, $contact)->kind, 'from the front it shows');
        self::assertSame('100', $this->pattern($house, 'plug-in-tester', Connection::leads('s1.front-L', 's1.front-N', 's1.front-E'), State::resting($house), $contact));
        self::assertArrayNotHasKey('s1/front-E', CurrentPath::of($house, $screws)->shares(0.0), 'the reading at the screws never passes the contact');
        self::assertArrayHasKey('s1/front-E', CurrentPath::of($house, $plans['zs:s1.front:L-E']->measurement)->shares(0.0));
    }

    public function testInsulationIsGoodAndTheLeakageHigh(): void
    {
        // 100 nF at 230 V 50 Hz: 7.23 mA; direct current sees none of it.
        $house = Houses::twoCircuits('TN-C-S', 100.0);
        $plans = TestCatalogue::plans($house);
        self::assertSame(ShownKind::Over, $this->read($house, $plans['insulation:one:L–E']->measurement)->kind);
        self::assertEqualsWithDelta(7.226e-3 + 0.108e-3, $this->read($house, $plans['residual-clamp:one']->measurement)->value, 0.02e-3);
        // And what resistive leaks are worth: 230 V / R.
        $bare = Houses::twoCircuits();
        $at = TestCatalogue::plans($bare)['residual-clamp:two']->measurement;
        foreach ([[1e6, 0.23e-3], [1e5, 2.3e-3], [7.7e3, 29.9e-3]] as [$ohms, $amperes]) {
            $standing = 0.1084e-3; // of the cable, at right angles
            self::assertEqualsWithDelta(hypot($amperes, $standing), $this->read($bare, $at, Fault::at($bare, 'line-earth-leak', 's2', $ohms)->change($bare))->value, 0.05e-3);
        }
    }

    public function testASurgePartIsDampAt500VoltsAndNothingAt250(): void
    {
        $house = Houses::surgeProtected();
        $off = State::resting($house)->after(new StateChange('set', 'main', 'off'), new StateChange('lift', 'rcd-nbar-link/N@2'));
        $leads = Connection::leads('rcd-nbar.t1', 'met.t1');
        $at500 = $this->shown($house, 'insulation-tester', $leads, $off);
        self::assertSame(ShownKind::Value, $at500->kind);
        self::assertGreaterThan(0.2e6, $at500->value);
        self::assertLessThan(3e6, $at500->value);
        self::assertSame(ShownKind::Over, $this->shown($house, 'insulation-tester-250', $leads, $off)->kind);
    }

    public function testPhantomVoltsOnASwitchedLineVanishUnderLoad(): void
    {
        $house = Houses::worked();
        $out = State::resting($house)->after(new StateChange('load', 'light', 'out'));
        $leads = Connection::leads('light.SL', 'light.E');
        $high = $this->reading($house, 'voltmeter-high-z', $leads, $out);
        // 4 m of line beside 4 m of cpc: 0.2 nF against 0.4, a third of 230 V and a little less for the meter.
        self::assertGreaterThan(60.0, $high);
        self::assertLessThan(12.0, $this->reading($house, 'voltmeter-low-z', $leads, $out));
    }

    /** @return iterable<string, array{0: list<array{string, string, float|null}>, 1: string, 2: bool, 3?: bool}> faults, lamps, load on beyond, cable without cpc */
    public static function lamps(): iterable
    {
        yield 'right' => [[], '110', false];
        yield 'earth open' => [[['open-cpc', 'rad-r2/E@1', null]], '100', false];
        yield 'earth open and reversed' => [[['open-cpc', 'rad-r2/E@1', null], ['line-neutral-reversed', 's2', null]], '100', false];
        yield 'neutral open' => [[['open-neutral', 'rad-r2/N@1', null]], '010', false];
        yield 'neutral open with a load on' => [[['open-neutral', 'rad-r2/N@1', null]], '011', true];
        yield 'line open' => [[['open-line', 'rad-r2/L@1', null]], '000', false];
        yield 'reversed' => [[['line-neutral-reversed', 's2', null]], '101', false];
        yield 'line and earth exchanged' => [[['line-earth-swapped', 's2', null]], '011', false];
        yield 'neutral and earth exchanged' => [[['neutral-earth-swapped', 's2', null]], '110', false];
        yield 'bootleg' => [[['bootleg-earth', 's2', null]], '110', false, true];
        yield 'reversed bootleg' => [[['reversed-bootleg', 's2', null]], '110', false, true];
        yield 'all three at line' => [[['open-neutral', 'rad-r2/N@1', null], ['bootleg-earth', 's2', null]], '000', true, true];
    }

    /** @param list<array{string, string, float|null}> $faults */
    #[DataProvider('lamps')]
    public function testThreeLampsNameOneConditionAtMost(array $faults, string $lamps, bool $load, bool $twoCores = false): void
    {
        // Filters would light a lamp of an open earth only where their volts pass its threshold: here there are none.
        $watts = $load ? 2000.0 : 0.0;
        $house = $twoCores ? Houses::withoutCpc($watts) : Houses::with(Houses::worked(), 'fridge', ['watts' => $watts, 'filterNanofarads' => 0]);
        $change = new Change();
        foreach ($faults as [$kind, $site, $ohms]) {
            $change = $change->and(Fault::at($house, $kind, $site, $ohms)->change($house));
        }
        self::assertSame($lamps, $this->pattern($house, 'plug-in-tester', Connection::leads('s2.front-L', 's2.front-N', 's2.front-E'), State::resting($house), $change));
    }

    public function testABootlegEarthLooksPerfectUntilItsNeutralIsLifted(): void
    {
        $house = Houses::withoutCpc(2000.0);
        $bootleg = Fault::at($house, 'bootleg-earth', 's2')->change($house);
        $state = State::resting($house);
        self::assertEqualsWithDelta(0.0, $this->reading($house, 'voltmeter-high-z', Connection::leads('s2.front-N', 's2.front-E'), $state, $bootleg), 0.02);
        $loop = fn (string $pole): float => $this->reading($house, 'loop-2-wire', Connection::leads('s2.front-L', "s2.front-$pole"), $state, $bootleg);
        self::assertEqualsWithDelta($loop('N'), $loop('E'), 0.01);
        self::assertSame(ShownKind::Over, $this->residual($house, 'rcd-5', 's2.front-L', 's2.front-E', $bootleg)->kind, 'the test current comes back through the neutral');
        $reversed = Fault::at($house, 'reversed-bootleg', 's2')->change($house);
        self::assertEqualsWithDelta(230.0, $this->reading($house, 'voltmeter-high-z', Connection::leads('s2.front-E', 'met.t1'), State::resting($house)->after(new StateChange('load', 'fridge', 'out')), $reversed), 2.0);
    }

    public function testABridgedRingReadsLowAndFlat(): void
    {
        // r = 0.5002 Ω a conductor, points at 0.15, 0.3, 0.5, 0.7, 0.85; a bridge of 0.05 Ω a conductor from 0.3 to 0.7.
        // End to end 0.15 + 0.15 + 0.2 ‖ 0.05 = 0.34; cross-joined 0.17 outside it, rising to 0.25 inside.
        $house = self::ring([10.125, 10.125, 13.5, 13.5, 10.125, 10.125]);
        $bridge = Fault::at($house, 'ring-bridged', 'p2~p4', 0.05)->change($house);
        $plans = TestCatalogue::plans($house);
        $read = fn (string $test): float => $this->read($house, $plans[$test]->measurement, $bridge)->value;
        self::assertEqualsWithDelta(0.34, $read('ring-ends:ring:L'), 0.005);
        self::assertEqualsWithDelta(0.17, $read('ring-cross-ln:p1.front'), 0.005);
        self::assertEqualsWithDelta(0.17, $read('ring-cross-ln:p5.front'), 0.005);
        self::assertEqualsWithDelta(0.25, $read('ring-cross-ln:p3.front'), 0.005);
    }

    /** @param non-empty-list<float> $legs metres */
    private static function ring(array $legs): House
    {
        $back = array_pop($legs);
        $points = [];
        foreach ($legs as $at => $metres) {
            $points[] = ['p'.($at + 1), 'Point '.($at + 1), 'Room', $metres];
        }

        return Houses::bare((new HouseDraft('Ring', ['system' => 'TN-S'], 1))->residualDevice('rcd', 'Device')->way('ring', 'Ring', 'ring', 32)->sockets('ring', $points, $back)->document());
    }
}
