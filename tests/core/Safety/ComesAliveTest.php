<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Safety\ComesAlive;

/** What ends a proof of dead and what does not, read off the wiring. */
final class ComesAliveTest extends TestCase
{
    /** @return iterable<string, array{list<array{string, string, string}>, array{string, string, string}, string, bool}> what stands, the act, the place proved, whether it ends the proof */
    public static function acts(): iterable
    {
        $board = [['set', 'main', 'off']];
        $circuit = [['set', 'way2', 'off']];
        yield 'the main closed again' => [$board, ['set', 'main', 'on'], 'p-rl-hall', true];
        yield 'its own breaker closed again' => [$circuit, ['set', 'way2', 'on'], 'p-rl-hall', true];
        yield 'another breaker closed while the main is on' => [[...$circuit, ['set', 'way3', 'off']], ['set', 'way3', 'on'], 'p-rl-hall', true];
        yield 'a breaker closed behind an open main' => [[...$board, ['set', 'way2', 'off']], ['set', 'way2', 'on'], 'p-rl-hall', false];
        yield 'more opened' => [$board, ['set', 'way2', 'off'], 'p-rl-hall', false];
        yield 'a load unplugged' => [$circuit, ['load', 'washer', 'out'], 'p-rl-hall', false];
        yield 'a conductor lifted beside it' => [$board, ['lift', 'ring-low-r1/N@1', ''], 'p-rl-hall', false];
        yield 'line and earth linked for a test, board dead' => [$board, ['link', 'way2.out', 'met.t1'], 'p-rl-hall', false];
        yield 'a link to a live line' => [$circuit, ['link', 'way2.out', 'way3.out'], 'p-rl-hall', true];
        yield 'the main closed on a link that was left on' => [[...$board, ['link', 'way2.out', 'met.t1']], ['set', 'main', 'on'], 'p-rl-hall', true];
        yield 'a link taken off' => [[...$circuit, ['link', 'way2.out', 'met.t1']], ['unlink', 'way2.out', 'met.t1'], 'p-rl-hall', false];
        yield 'a conductor refitted, board dead' => [[...$board, ['lift', 'ring-low-r1/L@1', '']], ['refit', 'ring-low-r1/L@1', ''], 'p-rl-hall', false];
        yield 'a light switched on another, live circuit' => [$circuit, ['set', 'stair-top', '1'], 'p-rl-hall', false];
        yield 'what is closed already, closed again' => [$circuit, ['set', 'way3', 'on'], 'p-rl-hall', false];
    }

    /**
     * @param list<array{string, string, string}> $stands
     * @param array{string, string, string}       $act
     */
    #[DataProvider('acts')]
    public function testAnActEndsAProofOnlyWhenItCanMakeThePlaceLive(array $stands, array $act, string $place, bool $ends): void
    {
        $house = self::house();
        $state = State::resting($house)->after(...array_map(static fn (array $change): StateChange => new StateChange(...$change), $stands));
        self::assertSame($ends, ComesAlive::by($house, $state, new StateChange(...$act), $place));
    }

    public function testASecondSourceBehindAnOpenMainStillMakesLive(): void
    {
        $document = self::house()->document;
        self::assertIsArray($document['parts']);
        self::assertIsArray($document['cables']);
        $document['parts']['generator'] = ['kind' => 'source', 'place' => 'board', 'name' => 'Generator'];
        $document['cables']['generator-lead'] = ['lengthMetres' => 5, 'mm2' => 2.5, 'cores' => ['L' => ['role' => 'L', 'ends' => ['generator.L', 'way2.in']], 'N' => ['role' => 'N', 'ends' => ['generator.N', 'rcd-a-nbar.t9']]]];
        $house = House::fromDocument($document);
        $state = State::resting($house)->after(new StateChange('set', 'main', 'off'), new StateChange('set', 'way2', 'off'));
        self::assertTrue(ComesAlive::by($house, $state, new StateChange('set', 'way2', 'on'), 'p-rl-hall'));
    }

    private static function house(): House
    {
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents(__DIR__.'/../../../demo/houses/wicket-lane.json'), true, 64, \JSON_THROW_ON_ERROR);

        return House::fromDocument($document);
    }
}
