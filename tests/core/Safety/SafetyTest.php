<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Safety;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\Levers;
use YellowProbe\Safety\Pair;
use YellowProbe\Safety\WayBack;
use YellowProbe\Tests\Houses;
use YellowProbe\Words\Message;

final class SafetyTest extends TestCase
{
    public function testACircuitAloneLeavesItsNeutralAndTheBoardLive(): void
    {
        $house = Houses::ringAndLights();
        [$place, $circuit] = self::socket($house);
        $device = $house->parts[$house->circuits[$circuit]->way];
        $scope = IsolationScope::of($house, $place, IsolationScope::CIRCUIT, State::resting($house), new Ranking([], []));
        self::assertSame([$device], $scope->off);
        self::assertContainsEquals(new Message('scope.stays.solid-neutral', ['part' => $device->name]), $scope->stays);
        self::assertSame([], $scope->warns, 'by the survey nothing of it stays live');
        self::assertSame([['L', 'N'], ['L', 'E'], ['N', 'E'], []], array_map(static fn (Pair $pair): array => array_map(static fn (string $terminal): string => $house->terminals[$terminal]->role->value, $pair->terminals), $scope->pairs));
        self::assertSame(array_unique(array_column($scope->pairs, 'id')), array_column($scope->pairs, 'id'));

        $board = IsolationScope::of($house, $place, IsolationScope::BOARD, State::resting($house), new Ranking([], []));
        self::assertSame(States::mains($house), $board->off);
        self::assertSame(['scope.stays.supply'], self::keys($board->stays));
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
        self::assertContains('scope.may-be-live', self::keys($warns($standing)));
    }

    public function testAPanelHasEveryPairOfItsLegsToTry(): void
    {
        $house = Houses::demo('panel-with-multiwire');
        $scope = IsolationScope::of($house, 'p-counter-l', IsolationScope::BOARD, State::resting($house), new Ranking([], []));
        self::assertContains('scope.stays.neutral', self::keys($scope->stays));
        $circuit = IsolationScope::of($house, 'p-counter-l', IsolationScope::CIRCUIT, State::resting($house), new Ranking([], []));
        self::assertContains('scope.stays.multiwire', self::keys($circuit->stays));
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

    public function testABackUpSourceIsNamedAndSoIsAKindThatDoesNotExist(): void
    {
        $document = Houses::ringAndLights()->document;
        self::assertIsArray($document['parts']);
        $document['parts']['battery'] = ['kind' => 'source', 'place' => 'board', 'name' => 'Battery inverter'];
        $scope = IsolationScope::of(House::fromDocument($document), 'board', IsolationScope::BOARD, State::resting(Houses::ringAndLights()), new Ranking([], []));
        self::assertContainsEquals(new Message('scope.stays.source', ['part' => 'Battery inverter']), $scope->stays);
        $this->expectExceptionMessage('No kind of part is called "back-up"');
        Houses::ringAndLights()->partsOfKind('back-up');
    }

    public function testALeverIsOfferedForWhatItCanHaveDone(): void
    {
        $house = Houses::demo('wicket-lane');
        $can = static fn (string $symptom): array => array_values(array_map(static fn (Part $lever): string => $lever->id, array_filter(Levers::all($house), static fn (Part $lever): bool => Levers::canShow($lever, $symptom))));
        self::assertSame('main', Levers::all($house)[0]->id, 'the supply side first');
        self::assertSame(['rcd-a', 'rcd-b'], $can('residual-trip'));
        self::assertContains('way1', $can('overcurrent-trip'));
        self::assertNotContains('rcd-a', $can('overcurrent-trip'));
        self::assertNotContains('main', $can(''));
        self::assertSame(['lights-up', 'loft', 'ring-up'], self::sorted(array_intersect(Levers::behind($house, 'rcd-b'), ['lights-up', 'loft', 'ring-up'])));
        self::assertSame([], array_intersect(Levers::behind($house, 'rcd-b'), Levers::supplied($house, State::resting($house)->after(new StateChange('set', 'rcd-b', 'off')))));
    }

    /**
     * @param array<string> $words
     *
     * @return list<string>
     */
    private static function sorted(array $words): array
    {
        sort($words);

        return $words;
    }

    /**
     * @param list<Message> $messages
     *
     * @return list<string>
     */
    private static function keys(array $messages): array
    {
        return array_map(static fn (Message $message): string => $message->key, $messages);
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
