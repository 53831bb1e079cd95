<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\States;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** A borrowed neutral and joined neutrals are two faults: each gives its own readings and not the other's. */
final class NeutralFaultsTest extends TestCase
{
    private House $house;
    private Change $borrowed;
    private Change $joined;

    protected function setUp(): void
    {
        $this->house = Houses::ringAndLights();
        $this->borrowed = Fault::at($this->house, 'borrowed-neutral', 'stair~up')->change($this->house);
        $this->joined = Fault::at($this->house, 'joined-neutrals', 'low~up', 0.02)->change($this->house);
    }

    public function testNeutralToNeutralFindsTheJoinAndMissesTheLoan(): void
    {
        self::assertSame(ShownKind::Over, $this->test('neutral-to-neutral:low:up', null)->kind);
        self::assertSame(ShownKind::Over, $this->test('neutral-to-neutral:low:up', $this->borrowed)->kind);
        $joined = $this->test('neutral-to-neutral:low:up', $this->joined);
        self::assertSame(ShownKind::Value, $joined->kind);
        self::assertLessThan(1.0, $joined->value);
    }

    public function testTheLampShowsBetweenALineAndTheNeutralItBorrows(): void
    {
        // A 40 W filament: 230²/40 = 1322.5 Ω hot, a fourteenth of it cold: 94.5 Ω, and some tenths of cable.
        $read = $this->test('line-to-other-neutral:stair:up', $this->borrowed);
        self::assertEqualsWithDelta(94.5, $read->value, 0.5);
        self::assertSame(ShownKind::Over, $this->test('line-to-other-neutral:stair:up', null)->kind);
        self::assertSame(ShownKind::Over, $this->test('line-to-other-neutral:l2:up', $this->borrowed)->kind);
    }

    public function testABorrowersWholeCurrentIsMissingInOneResidualAndExtraInTheOther(): void
    {
        // 230 V through 1322.5 Ω: 174 mA.
        self::assertEqualsWithDelta(0.174, $this->test('residual-pair:stair:low', $this->borrowed)->value, 0.002);
        self::assertEqualsWithDelta(0.174, $this->test('residual-pair:stair:up', $this->borrowed)->value, 0.002);
        self::assertLessThan(1e-3, $this->test('residual-pair:l2:low', $this->borrowed)->value);
        self::assertLessThan(1e-3, $this->test('residual-pair:u1:up', $this->borrowed)->value);
    }

    public function testJoinedNeutralsShareAnyLoad(): void
    {
        foreach (['stair', 'l1', 'l2', 'u1', 'u2'] as $light) {
            $share = $this->test("residual-pair:$light:low", $this->joined)->value / 0.174;
            self::assertGreaterThan(0.1, $share, $light);
            self::assertLessThan(0.95, $share, $light);
        }
    }

    public function testOneDeviceThatHoldsBothCircuitsSeesNothing(): void
    {
        $house = $this->house;
        $fault = Fault::at($house, 'borrowed-neutral', 'stair~ring')->change($house);
        $state = State::resting($house)->after(...States::lightOn($house->parts['stair']));
        $residual = (new Bench($house, $state, Instruments::get('leakage-clamp'), Connection::around('+rcd-a/L', '+rcd-a/N')))->read($fault);
        self::assertLessThan(5e-3, $residual->value);
    }

    public function testTheBorrowedNeutralGoesLiveWhenItsBarIsParted(): void
    {
        // The danger: the upper lights off at their breaker, their neutral lifted, the stair light on.
        $house = $this->house;
        $state = State::resting($house)->after(new StateChange('set', $house->circuits['up']->way, 'off'), ...States::neutralLifted($house, 'up'), ...States::lightOn($house->parts['stair']));
        $loose = BoardEnds::neutralsAtBoard($house, 'up')[0];
        $volts = static fn (?Change $change): float => (new Bench($house, $state, Instruments::get('voltmeter-high-z'), Connection::leads($loose, 'met.t1')))->read($change)->value;
        self::assertEqualsWithDelta(230.0, $volts($this->borrowed), 3.0);
        self::assertLessThan(60.0, $volts(null));
    }

    private function test(string $plan, ?Change $change): Shown
    {
        $measurement = TestCatalogue::plans($this->house)[$plan]->measurement;

        return (new Bench($this->house, $measurement->state, $measurement->instrument, $measurement->connection))->read($change);
    }
}
