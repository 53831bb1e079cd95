<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Copper;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\HouseEdit;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Tests\Houses;

final class HouseTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string}> an operation that breaks the house, and where */
    public static function broken(): iterable
    {
        yield 'a conductor to nowhere' => [['op' => 'land', 'cable' => 'ring-r2', 'core' => 'L', 'end' => 2, 'terminal' => 'ghost.L'], '/cables/ring-r2/cores/L/ends/1'];
        yield 'a negative length' => [['op' => 'set-length', 'cable' => 'ring-r2', 'metres' => -3], '/metres'];
        yield 'a way without its breaker' => [['op' => 'remove', 'collection' => 'parts', 'id' => 'way1'], '/circuits/ring/way'];
        yield 'a part at no place' => [['op' => 'put', 'collection' => 'parts', 'id' => 'new', 'value' => ['kind' => 'socket', 'place' => 'attic']], '/parts/new/place'];
        yield 'an unknown kind' => [['op' => 'put', 'collection' => 'parts', 'id' => 'new', 'value' => ['kind' => 'gizmo', 'place' => 'board']], '/parts/new/kind'];
        yield 'an unknown operation' => [['op' => 'explode'], '/op'];
        yield 'a bad id' => [['op' => 'put', 'collection' => 'parts', 'id' => 'No Spaces', 'value' => []], '/id'];
        yield 'something that is not there' => [['op' => 'rename', 'collection' => 'places', 'id' => 'moon', 'name' => 'Moon'], '/id'];
    }

    /** @param array<string, mixed> $operation */
    #[DataProvider('broken')]
    public function testAHouseThatCannotExistIsRefusedWithItsPlace(array $operation, string $path): void
    {
        try {
            HouseEdit::apply(Houses::ringAndLights()->document, $operation);
            self::fail('It was taken.');
        } catch (HouseError $error) {
            self::assertSame($path, $error->path);
        }
    }

    public function testOperationsLeaveTheRestAlone(): void
    {
        $before = Houses::ringAndLights();
        $after = HouseEdit::apply($before->document, ['op' => 'set-length', 'cable' => 'ring-r2', 'metres' => 14.5, 'knowing' => 'measured']);
        $after = HouseEdit::apply($after, ['op' => 'rename', 'collection' => 'parts', 'id' => 'a', 'name' => 'By the sink']);
        $house = House::fromDocument($after);

        self::assertSame(14.5, $house->cables['ring-r2']->lengthMetres->value);
        self::assertSame(0.03, $house->cables['ring-r2']->lengthMetres->knowing->lengthSpread());
        self::assertSame('By the sink', $house->parts['a']->name);
        self::assertEquals($before->cables['ring-r3'], $house->cables['ring-r3']);
        self::assertCount(\count($before->terminals), $house->terminals);
    }

    public function testCopperAtTwentyAndSeventyDegrees(): void
    {
        self::assertEqualsWithDelta(0.01951, Copper::ohmsPerMetre(new Attributes(['mm2' => 2.5], '')) + Copper::ohmsPerMetre(new Attributes(['mm2' => 2.5, 'cpcMm2' => 1.5], ''), true), 1e-9);
        self::assertEqualsWithDelta(1.20, Copper::temperatureFactor(70.0), 1e-12);
        $this->expectException(HouseError::class);
        Copper::ohmsPerMetre(new Attributes(['mm2' => 3.7], '/cables/x'));
    }

    public function testTheOrderOfADocumentMeansNothing(): void
    {
        $house = Houses::ringAndLights();
        $document = $house->document;
        foreach (['places', 'parts', 'cables', 'circuits'] as $collection) {
            self::assertIsArray($document[$collection]);
            $document[$collection] = array_reverse($document[$collection], true);
        }
        $turned = House::fromDocument($document);
        $ohms = static fn (House $house): array => [
            LineMap::of($house, 'ring'),
            HouseNetwork::build($house, State::resting($house), Excitation::mains())->nodeCount,
            $house->circuitOfPart('kettle'),
        ];
        self::assertSame($ohms($house), $ohms($turned));
    }

    public function testTheLineMapFollowsTheWiring(): void
    {
        $house = Houses::ringAndLights();
        $ring = LineMap::of($house, 'ring');
        $at = array_column($ring['stops'], null, 'part');

        self::assertTrue($ring['ring']);
        self::assertSame(['a', 'b', 'c', 'd'], array_values(array_filter(array_keys($at), static fn (string $part): bool => 0 === $at[$part]['row'])));
        self::assertSame('b', $at['spur']['after']);
        self::assertGreaterThan(0, $at['spur']['row']);
        self::assertFalse(LineMap::of($house, 'up')['ring']);
        // A radial joined into a loop is a finding, not an error: the claim still says radial.
        $joined = House::fromDocument(HouseEdit::apply($house->document, ['op' => 'put', 'collection' => 'cables', 'id' => 'up-loop', 'value' => ['circuit' => 'up', 'mm2' => 1.5, 'lengthMetres' => 4, 'cores' => ['L' => ['ends' => ['u2.L', 'way3.out']]]]]));
        self::assertTrue(LineMap::of($joined, 'up')['ring']);
    }

    public function testWhichResidualDeviceStandsBeforeACircuit(): void
    {
        $house = Houses::ringAndLights();
        self::assertSame('rcd-a', Protection::residualDevice($house, 'low')?->id);
        self::assertSame('rcd-b', Protection::residualDevice($house, 'up')?->id);
        $plain = (new HouseDraft('Plain', ['system' => 'TN-S']))->direct()->way('one', 'One', 'radial', 16)->rcboWay('two', 'Two', 'radial', 16)->house();
        self::assertNull(Protection::residualDevice($plain, 'one'));
        self::assertSame('way2', Protection::residualDevice($plain, 'two')?->id);
    }

    public function testAStateIsCanonical(): void
    {
        $house = Houses::ringAndLights();
        $rest = State::resting($house);
        $lift = new StateChange('lift', 'up-r1/N@1');
        $link = new StateChange('link', 'way1.out', 'met.t2');
        $one = $rest->after($lift, $link, new StateChange('set', 'main', 'off'));
        $other = $rest->after(new StateChange('set', 'main', 'off'), new StateChange('link', 'met.t2', 'way1.out'), $lift);

        self::assertSame($one->hash(), $other->hash());
        self::assertNotSame($rest->hash(), $one->hash());
        self::assertSame($rest->hash(), $one->after(...$one->changesTo($rest))->hash());
        self::assertSame($one->hash(), State::fromArray($one->toArray())->hash());
        foreach ($rest->changesTo($one) as $change) {
            self::assertSame($rest->hash(), $rest->after($change, $change->undoneTo($rest))->hash(), $change->operation);
        }
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function badChanges(): iterable
    {
        yield 'unknown operation' => [['operation' => 'kick', 'subject' => 'main'], '/operation'];
        yield 'unknown part' => [['operation' => 'set', 'subject' => 'ghost', 'value' => 'on'], '/subject'];
        yield 'unknown position' => [['operation' => 'set', 'subject' => 'main', 'value' => 'sideways'], '/value'];
        yield 'no such joint' => [['operation' => 'lift', 'subject' => 'up-r1/N'], '/subject'];
    }

    /** @param array<string, string> $raw */
    #[DataProvider('badChanges')]
    public function testAChangeOfSomethingThatIsNotThere(array $raw, string $path): void
    {
        try {
            StateChange::read($raw, Houses::ringAndLights());
            self::fail('It was taken.');
        } catch (HouseError $error) {
            self::assertSame($path, $error->path);
        }
    }
}
