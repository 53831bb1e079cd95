<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Safety;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\WayBack;
use YellowProbe\Tests\Houses;

final class SafetyTest extends TestCase
{
    public function testACircuitAloneLeavesItsNeutralAndTheBoardLive(): void
    {
        $house = Houses::ringAndLights();
        [$place, $circuit] = self::socket($house);
        $device = $house->parts[$house->circuits[$circuit]->way];
        $scope = IsolationScope::of($house, $place, IsolationScope::CIRCUIT, State::resting($house), new Ranking([], []));
        self::assertSame([$device->name], $scope->off);
        self::assertStringContainsString("The neutral behind $device->name", implode("\n", $scope->stays));
        self::assertSame([], $scope->warns, 'by the survey nothing of it stays live');
        self::assertSame(['L–N', 'L–E', 'N–E', 'every other conductor in the box to E and to N'], $scope->pairs);

        $board = IsolationScope::of($house, $place, IsolationScope::BOARD, State::resting($house), new Ranking([], []));
        self::assertSame(array_map(static fn ($main): string => $main->name, States::mains($house)), $board->off);
        self::assertStringNotContainsString('The neutral behind', implode("\n", $board->stays));
        self::assertStringContainsString('supply side of the main switch', $board->stays[0]);
    }

    public function testACauseThatStillFitsCanKeepAConductorLive(): void
    {
        // Line and combined neutral crossed at the head: everything earthed is at line voltage, whatever the main does.
        $house = Houses::ringAndLights();
        $kind = FaultCatalogue::all()['head-crossed'];
        $standing = new Standing(Hypothesis::fault($kind, $kind->sites($house)[0], 0.2), 0.0, [], [1.0]);
        $standing->probability = 0.4;
        $warns = static fn (Standing ...$standings): array => IsolationScope::of($house, self::socket($house)[0], IsolationScope::BOARD, State::resting($house), new Ranking(array_values($standings), []))->warns;
        self::assertSame([], $warns());
        self::assertStringContainsString('· E may be live, under a cause that still fits', implode("\n", $warns($standing)));
    }

    public function testAPanelHasEveryPairOfItsLegsToTry(): void
    {
        $house = Houses::demo('panel-with-multiwire');
        $scope = IsolationScope::of($house, 'p-counter-l', IsolationScope::BOARD, State::resting($house), new Ranking([], []));
        self::assertStringContainsString('The neutral and its bond', implode("\n", $scope->stays));
        $circuit = IsolationScope::of($house, 'p-counter-l', IsolationScope::CIRCUIT, State::resting($house), new Ranking([], []));
        self::assertStringContainsString('carries the other leg', implode("\n", $circuit->stays));
        self::assertContains('L–N', $scope->pairs);
    }

    public function testTheWayBackGoesFromTheFeederToTheCircuitsAndSaysWhatComesAlive(): void
    {
        $house = Houses::ringAndLights();
        self::assertSame([], WayBack::of($house, State::resting($house))->steps, 'all is as it rests');
        $off = State::resting($house);
        $devices = [...States::mains($house), ...$house->partsOfKind('residual-device'), ...array_map(static fn (string $circuit) => $house->parts[$house->circuits[$circuit]->way], States::circuits($house))];
        foreach ($devices as $device) {
            $off = $off->after(new StateChange('set', $device->id, 'off'));
        }
        $steps = WayBack::of($house, $off)->steps;
        self::assertSame(array_map(static fn ($device): string => $device->id, $devices), array_map(static fn (array $step): string => $step['device']->id, $steps));
        self::assertCount(\count($house->circuits), $steps[0]['dead']);
        $last = $steps[\count($steps) - 1];
        self::assertSame([], $last['dead']);
        $circuit = (string) array_key_last(array_flip(States::circuits($house)));
        foreach ($house->partsOfKind('socket') as $socket) {
            if ($house->circuitOfPart($socket->id) === $circuit) {
                self::assertContains($socket->name, $last['live']);
            }
        }
        // Only what is open: one way.
        $way = $house->circuits[$circuit]->way;
        self::assertCount(1, WayBack::of($house, State::resting($house)->after(new StateChange('set', $way, 'off')))->steps);
    }

    /** @return array{string, string} a place with one socket, its circuit */
    private static function socket(House $house): array
    {
        foreach ($house->partsOfKind('socket') as $socket) {
            $circuit = $house->circuitOfPart($socket->id);
            if (null !== $circuit && 'breaker' === $house->parts[$house->circuits[$circuit]->way]->kind) {
                return [$socket->place, $circuit];
            }
        }
        self::fail('no socket');
    }
}
