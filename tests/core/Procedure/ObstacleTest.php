<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Procedure;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Obstacle;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

final class ObstacleTest extends TestCase
{
    public function testNoTestOfTheCatalogueMeetsOneInItsOwnState(): void
    {
        foreach ([Houses::worked(), Houses::worked('TT'), Houses::ringAndLights(), Houses::demo('panel-with-multiwire')] as $house) {
            foreach (TestCatalogue::plans($house) as $id => $plan) {
                self::assertNull(Obstacle::of($house, $plan->measurement)?->words, $id);
            }
        }
    }

    public function testOhmsOnLiveConductorsAreADangerAndItSaysWhatToSwitchOff(): void
    {
        $obstacle = $this->obstacle('low-ohm', Connection::leads('s1.front-L', 's1.front-E'));
        self::assertTrue($obstacle?->danger);
        self::assertStringContainsString('Socket one', $obstacle->words);
        self::assertStringContainsString('Switch Way 2 off', $obstacle->words);
        self::assertTrue($this->obstacle('insulation-tester', Connection::leads('main.Lin', 'met.t1'), new StateChange('set', 'main', 'off'))?->danger, 'the supply side of the main stays live');
        self::assertNull($this->obstacle('low-ohm', Connection::leads('s1.front-L', 's1.front-E'), new StateChange('set', 'way2', 'off')));
    }

    public function testALoopWithoutSupplyNamesWhatIsOff(): void
    {
        $leads = Connection::leads('s1.front-L', 's1.front-E');
        $obstacle = $this->obstacle('loop-2-wire', $leads, new StateChange('set', 'way2', 'off'), new StateChange('set', 'main', 'off'));
        self::assertFalse($obstacle?->danger);
        self::assertStringContainsString('Switch on: Way 2, Main switch', $obstacle->words);
        self::assertNull($this->obstacle('loop-2-wire', $leads));
        $acting = Connection::acting(['s1.front-L', 's1.front-E'], ['+rcd/L', '+rcd/N']);
        self::assertStringContainsString('Switch on: Device', $this->obstacle('rcd-1', $acting, new StateChange('set', 'rcd', 'off'))->words ?? '');
    }

    public function testALooseEndHasToBeLiftedFirst(): void
    {
        self::assertStringContainsString('first lift the neutral of Radial', $this->obstacle('low-ohm', Connection::leads('rad-r1/N@1', 'met.t1'), new StateChange('set', 'main', 'off'))->words ?? '');
        self::assertNull($this->obstacle('low-ohm', Connection::leads('rad-r1/N@1', 'met.t1'), new StateChange('set', 'main', 'off'), new StateChange('lift', 'rad-r1/N@1')));
    }

    private function obstacle(string $tester, Connection $connection, StateChange ...$changes): ?Obstacle
    {
        $house = Houses::worked();

        return Obstacle::of($house, new Measurement(State::resting($house)->after(...$changes), Instruments::get($tester), $connection));
    }
}
