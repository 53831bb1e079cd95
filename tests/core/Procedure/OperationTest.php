<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Procedure;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\NewBranch;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\Operation;
use YellowProbe\Tests\Houses;

/** Which device opens first, and why. */
final class OperationTest extends TestCase
{
    public function testASoundHouseHolds(): void
    {
        foreach (Operation::all(Houses::worked(), State::resting(Houses::worked())) as $operation) {
            self::assertNull($operation->seconds, $operation->device->id);
            self::assertLessThan(0.01, $operation->probability);
        }
    }

    public function testALineToNeutralShortOpensItsBreakerAndNoResidualDevice(): void
    {
        // 230 V over 0.36 Ω and the contact: 620 A, far in the magnetic zone of B16; the residual is nothing.
        $house = Houses::worked();
        $operations = $this->operations($house, 'line-neutral-fault', 's1', 0.01);
        self::assertSame('way2', array_key_first($operations));
        self::assertSame(0.01, $operations['way2']->seconds);
        self::assertNull($operations['rcd']->seconds);
        self::assertGreaterThan(500.0, $operations['way2']->lineAmperes);
    }

    public function testALeakOpensTheResidualDeviceAndNoBreaker(): void
    {
        // 230 V / 3 kΩ = 77 mA: 12.5 + 12.5 · 30/77 = 17.4 ms
        $operations = $this->operations(Houses::worked(), 'line-earth-leak', 's1', 3e3);
        self::assertSame('rcd', array_key_first($operations));
        self::assertEqualsWithDelta(0.0174, $operations['rcd']->seconds ?? \INF, 2e-4);
        self::assertNull($operations['way2']->seconds);
    }

    public function testAHardEarthFaultIsARaceThatTheMagneticPartWins(): void
    {
        $operations = $this->operations(Houses::worked(), 'line-earth-leak', 's1', 0.01);
        self::assertSame('way2', array_key_first($operations));
        self::assertLessThan(0.02, $operations['rcd']->seconds);
    }

    public function testOfTwoInSeriesTheDelayedOneWaits(): void
    {
        $house = Houses::demo('rod-and-outbuilding');
        $fault = Fault::at($house, 'line-earth-leak', 'bench', 3e3)->change($house);
        $operations = [];
        foreach (Operation::all($house, State::resting($house), $fault) as $operation) {
            $operations[$operation->device->id] = $operation->seconds ?? \INF;
        }
        // The two of 30 mA in the shed do not discriminate between each other; the delayed one of the house leaves it to them.
        self::assertEqualsWithDelta($operations['shed-main'], $operations['shed-way'], 1e-6);
        self::assertGreaterThan(2.0 * $operations['shed-way'], $operations['rcd']);
    }

    public function testADeviceThatNeverTripsAndOneThatTripsEarly(): void
    {
        $house = Houses::worked();
        $leak = Fault::at($house, 'line-earth-leak', 's1', 15e3)->change($house); // 15.3 mA
        $of = static fn (Change $change): Operation => array_values(array_filter(Operation::all($house, State::resting($house), $change), static fn (Operation $operation): bool => 'rcd' === $operation->device->id))[0];
        self::assertNull($of($leak)->seconds);
        self::assertNotNull($of($leak->and(Fault::at($house, 'rcd-too-sensitive', 'rcd')->change($house)))->seconds);
        $hard = Fault::at($house, 'line-earth-leak', 's1', 300.0)->change($house);
        self::assertNotNull($of($hard)->seconds);
        self::assertNull($of($hard->and(Fault::at($house, 'rcd-stuck', 'rcd')->change($house)))->seconds);
        self::assertSame(0.0, $of($hard->and(Fault::at($house, 'rcd-stuck', 'rcd')->change($house)))->probability);
    }

    public function testADeviceForPersonsTripsWithoutLoadOnANeutralEarthContactAndNoOtherDoes(): void
    {
        $house = Houses::demo('panel-with-multiwire');
        $state = State::resting($house);
        $bath = static fn (?Change $change): Operation => array_values(array_filter(Operation::all($house, $state, $change), static fn (Operation $operation): bool => 'bath' === $operation->device->id))[0];
        $contact = static fn (float $ohms): Change => new Change([], [NewBranch::contact('bath.load-N', 'bath.E', $ohms)]);
        self::assertNull($bath(null)->seconds);
        self::assertNotNull($bath($contact(1.0))->seconds);
        self::assertLessThan(1e-3, $bath($contact(1.0))->residualAmperes, 'there is no load to divide');
        self::assertNull($bath($contact(200.0))->seconds, 'too high to be felt');
        $yard = array_values(array_filter(Operation::all($house, $state, Fault::at($house, 'neutral-earth-fault', 'yard', 0.3)->change($house)), static fn (Operation $operation): bool => 'way5' === $operation->device->id))[0];
        self::assertNotNull($yard->seconds, 'a breaker of 5 mA for persons feels it too');
    }

    public function testAnOpenDeviceSeesNothing(): void
    {
        $house = Houses::worked();
        $off = State::resting($house)->after(new StateChange('set', 'rcd', 'off'));
        foreach (Operation::all($house, $off, Fault::at($house, 'line-earth-leak', 's1', 10.0)->change($house)) as $operation) {
            self::assertNull($operation->seconds, $operation->device->id);
        }
    }

    /** @return array<string, Operation> by device, the first to open leading */
    private function operations(House $house, string $kind, string $site, float $ohms): array
    {
        $operations = [];
        foreach (Operation::all($house, State::resting($house), Fault::at($house, $kind, $site, $ohms)->change($house)) as $operation) {
            $operations[$operation->device->id] = $operation;
        }

        return $operations;
    }
}
