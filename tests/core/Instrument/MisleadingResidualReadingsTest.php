<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\Attributes\DataProvider;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\CurrentPath;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\Operation;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Residual devices and neutrals: readings that mislead, and the way of the current that names what is behind them. */
final class MisleadingResidualReadingsTest extends MisleadingReadings
{
    public function testHalfTheRatingTripsWithAResistiveLeakAndHoldsWithACapacitiveOne(): void
    {
        // 23 kΩ is 10 mA in phase: 15 + 10 > 22. 9 mA at right angles: √(15² + 9²) = 17.5 holds.
        $house = Houses::twoCircuits();
        $leak = Fault::at($house, 'line-earth-leak', 's2', 23e3)->change($house);
        self::assertSame(ShownKind::Value, $this->residual($house, 'rcd-half', 'rcd.Lout', 'met.t1', $leak)->kind);
        self::assertEqualsWithDelta(12e-3, $this->residual($house, 'rcd-ramp', 'rcd.Lout', 'met.t1', $leak)->value, 0.1e-3);
        self::assertSame(ShownKind::Over, $this->residual(self::leaking(9.0), 'rcd-half', 'rcd.Lout', 'met.t1')->kind);
        // Parted from the installation the same device opens at its own 22 mA; a too sensitive one does not.
        $isolated = TestCatalogue::plans($house)['rcd-isolated:rcd']->measurement;
        self::assertEqualsWithDelta(22e-3, $this->read($house, $isolated, $leak)->value, 0.05e-3);
        self::assertLessThan(15e-3, $this->read($house, $isolated, Fault::at($house, 'rcd-too-sensitive', 'rcd')->change($house))->value);
    }

    /** @return iterable<string, array{float, float}> */
    public static function ramps(): iterable
    {
        yield '√(22² − 9²) = 20.07 mA' => [9.0, 20.07e-3];
        yield '√(22² − 12²) = 18.44 mA' => [12.0, 18.44e-3];
    }

    #[DataProvider('ramps')]
    public function testARampReadsLowThroughCapacitiveLeakage(float $milliamps, float $expected): void
    {
        self::assertEqualsWithDelta($expected, $this->residual(self::leaking($milliamps), 'rcd-ramp', 'rcd.Lout', 'met.t1')->value, 0.05e-3);
    }

    /** @return iterable<string, array{string, string, float, float, float}> system, tested at, contact Ω, share seen, tolerance */
    public static function stolen(): iterable
    {
        foreach (['TN-C-S' => ['s1' => [[1e-6, 39], [0.5, 77], [2.0, 92]], 's2' => [[1e-6, 99], [0.5, 100], [2.0, 100]]], 'TN-S' => ['s1' => [[1e-6, 27], [0.5, 58], [2.0, 82]], 's2' => [[1e-6, 55], [0.5, 74], [2.0, 89]]], 'TT' => ['s1' => [[1e-6, 0.2], [0.5, 0.8], [2.0, 3], [20.0, 20]], 's2' => [[1e-6, 0.4], [0.5, 1], [2.0, 3], [20.0, 20]]]] as $system => $points) {
            foreach ($points as $point => $rows) {
                foreach ($rows as [$ohms, $percent]) {
                    yield "$system, $ohms Ω, tested at $point" => [$system, $point, $ohms, $percent / 100.0, $percent < 5 ? 0.005 : 0.01];
                }
            }
        }
    }

    #[DataProvider('stolen')]
    public function testANeutralEarthContactTakesTestCurrentBackThroughTheNeutral(string $system, string $point, float $contact, float $share, float $within): void
    {
        // What comes back through the device's neutral cancels: the device sees the rest.
        $house = self::wired(Houses::twoCircuits($system), 'earthing', 0.003);
        $fault = Fault::at($house, 'neutral-earth-fault', 's1', $contact)->change($house);
        $path = CurrentPath::of($house, new Measurement(State::resting($house), Instruments::get('rcd-1'), Connection::leads("$point.front-L", "$point.front-E")), $fault);

        self::assertEqualsWithDelta(1.0, $path->shares()['rcd/L'], 1e-3);
        self::assertEqualsWithDelta($share, 1.0 - ($path->shares(0.0)['rcd/N'] ?? 0.0), $within);
    }

    public function testSuchAContactMakesASoundDeviceLookDead(): void
    {
        $house = Houses::twoCircuits();
        $fault = Fault::at($house, 'neutral-earth-fault', 's1', 1e-6)->change($house);
        // 39 % of 30 mA is 11.7 mA; tested on the other circuit it opens.
        self::assertSame(ShownKind::Over, $this->residual($house, 'rcd-1', 's1.front-L', 's1.front-E', $fault)->kind);
        self::assertSame(ShownKind::Value, $this->residual($house, 'rcd-1', 's2.front-L', 's2.front-E', $fault)->kind);
    }

    public function testBreakerOffAndStillTrips(): void
    {
        $house = Houses::twoCircuits('TN-S');
        $state = State::resting($house)->after(new StateChange('set', 'way1', 'off'), new StateChange('load', 'load2', 'on'));
        $fault = Fault::at($house, 'neutral-earth-fault', 's1', 1e-6)->change($house);
        $first = Operation::all($house, $state, $fault)[0];

        self::assertSame('rcd', $first->device->id);
        self::assertEqualsWithDelta(1.0, $first->residualAmperes, 0.1); // a tenth of 10 A
        self::assertNull(Operation::all($house, $state)[0]->seconds, 'a sound house holds');
        // The other circuit's return divides into the neutral of the circuit that is off, and down its cpc.
        $path = CurrentPath::of($house, new Measurement($state, Instruments::get('loop-2-wire'), Connection::leads('s2.front-L', 's2.front-N')), $fault)->shares(0.05);
        self::assertArrayHasKey('one-r1/N', $path);
        self::assertEqualsWithDelta($path['one-r1/N'], $path['one-r1/E'], 0.01);
    }

    public function testTensOfOhmsAreALoadInThePath(): void
    {
        // 2.3 kW at 230 V: 23 Ω.
        $house = Houses::twoCircuits();
        $state = TestCatalogue::plans($house)['r1-r2:s1']->measurement->state->after(new StateChange('load', 'load1', 'on'));
        $measurement = new Measurement($state, Instruments::get('low-ohm'), Connection::leads('s1.L', 's1.N'));
        self::assertEqualsWithDelta(23.0, $this->read($house, $measurement)->value, 0.05);
        self::assertSame('load1/load', CurrentPath::of($house, $measurement)->steps[0]->element);
        $unplugged = new Measurement($state->after(new StateChange('load', 'load1', 'out')), $measurement->instrument, $measurement->connection);
        self::assertSame(ShownKind::Over, $this->read($house, $unplugged)->kind);
    }

    public function testANeutralWithItsBreakerOff(): void
    {
        $house = Houses::ringAndLights();
        $on = State::resting($house)->after(new StateChange('set', 'head', '1'));
        // Borrowed: line from "low", neutral from "up"; "up" off: the whole current of 40 W, 0.174 A, in the neutral of "up".
        $borrowed = Fault::at($house, 'borrowed-neutral', 'stair~up')->change($house);
        $off = $on->after(new StateChange('set', 'way3', 'off'));
        $neutral = Connection::around('+up-r1/N');
        self::assertEqualsWithDelta(0.174, $this->reading($house, 'clamp', $neutral, $off, $borrowed), 0.002);
        self::assertEqualsWithDelta(0.0, $this->reading($house, 'clamp', $neutral, $off->after(new StateChange('set', 'head', '2')), $borrowed), 1e-3);
        self::assertEqualsWithDelta(0.0, $this->reading($house, 'clamp', $neutral, $off), 1e-3, 'a sound house');
        // Joined: a share of it only, and of any load.
        $joined = Fault::at($house, 'joined-neutrals', 'low~up', 0.0)->change($house);
        $share = $this->reading($house, 'clamp', $neutral, $off, $joined);
        self::assertGreaterThan(0.02, $share);
        self::assertLessThan(0.15, $share);
        $lights = $off->after(new StateChange('set', 'head', '2'), new StateChange('set', 'l2-sw', 'on'));
        self::assertGreaterThan(0.02, $this->reading($house, 'clamp', $neutral, $lights, $joined));
        self::assertEqualsWithDelta(0.0, $this->reading($house, 'clamp', $neutral, $lights, $borrowed), 1e-3);
        // Neutral to neutral, dead: fractions of an ohm; or over range, and the cold lamp of 94.5 Ω from the line.
        $plans = TestCatalogue::plans($house);
        self::assertLessThan(1.0, $this->read($house, $plans['neutral-to-neutral:low:up']->measurement, $joined)->value);
        self::assertSame(ShownKind::Over, $this->read($house, $plans['neutral-to-neutral:low:up']->measurement, $borrowed)->kind);
        $lamp = $plans['line-to-other-neutral:stair:up']->measurement;
        self::assertEqualsWithDelta(94.9, $this->read($house, $lamp, $borrowed)->value, 0.5);
        self::assertSame('stair/load', CurrentPath::of($house, $lamp, $borrowed)->steps[0]->element);
    }

    private static function wired(House $house, string $cable, float $ohms): House
    {
        $document = $house->document;
        \assert(\is_array($document['cables']) && \is_array($document['cables'][$cable]));
        $document['cables'][$cable]['ohms'] = $ohms;

        return House::fromDocument($document);
    }

    /** Two circuits whose filters and cables together draw milliamps at right angles to the voltage. */
    private static function leaking(float $milliamps): House
    {
        // 72.26 µA per nF; the two cables of 15 m take 1.5 nF each.
        return Houses::twoCircuits('TN-C-S', $milliamps / 72.257e-3 - 3.0);
    }
}
