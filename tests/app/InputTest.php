<?php

declare(strict_types=1);

namespace App\Tests;

use App\House\RepeatedKeys;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Size;

/** What a careless or ill-willed client sends is refused in words, by the field that it is about; nothing of it is stored. */
final class InputTest extends ApiTestCase
{
    /** @return iterable<string, array{\Closure(array<string, mixed>): array<array-key, mixed>, non-empty-string}> what is done to a house, and where it is refused */
    public static function houses(): iterable
    {
        $set = static fn (string ...$path) => static fn (mixed $value): \Closure => static function (array $document) use ($path, $value): array {
            foreach (array_reverse($path) as $key) {
                $value = [$key => $value];
            }

            return array_replace_recursive($document, (array) $value);
        };
        yield 'a part named 7' => [$set('parts', '7')(['kind' => 'socket', 'place' => 'p-rl-hall', 'name' => 'Seven']), '/document/parts'];
        yield 'a place named 12' => [$set('places', '12')(['kind' => 'point', 'name' => 'Twelve']), '/document/places'];
        yield 'plugged into a circle' => [static function (array $document) use ($set): array {
            $document = $set('parts', 'one')(['kind' => 'appliance', 'place' => 'p-rl-hall', 'name' => 'One', 'pluggedInto' => 'two.front', 'watts' => 10])($document);

            return $set('parts', 'two')(['kind' => 'appliance', 'place' => 'p-rl-hall', 'name' => 'Two', 'pluggedInto' => 'one.front', 'watts' => 10])($document);
        }, '/document/parts/one/pluggedInto'];
        yield 'plugged into itself' => [$set('parts', 'one')(['kind' => 'appliance', 'place' => 'p-rl-hall', 'name' => 'One', 'pluggedInto' => 'one.front', 'watts' => 10]), '/document/parts/one/pluggedInto'];
        yield 'no volts at all' => [$set('parts', 'service', 'nominalVolts')(0), '/document/parts/service/nominalVolts'];
        yield 'absurd volts' => [$set('parts', 'service', 'nominalVolts')(1e12), '/document/parts/service/nominalVolts'];
        yield 'absurd ohms' => [$set('parts', 'service', 'lineOhms')(1e300), '/document/parts/service/lineOhms'];
        yield 'ohms below nothing' => [$set('parts', 'service', 'lineOhms')(-1), '/document/parts/service/lineOhms'];
        yield 'ohms too small to be any' => [$set('parts', 'service', 'lineOhms')(1e-300), '/document/parts/service/lineOhms'];
        yield 'a circuit that begins at a switch' => [$set('circuits', 'lights-low', 'way')('stair-low'), '/document/circuits/lights-low/way'];
        yield 'a NUL in a name' => [$set('parts', 'rl-hall', 'name')("Hall\0"), '/document'];
        yield 'a name without end' => [$set('parts', 'rl-hall', 'name')(str_repeat('Hall ', 100)), '/document/parts/rl-hall/name'];
    }

    /**
     * @param \Closure(array<string, mixed>): array<array-key, mixed> $broken
     * @param non-empty-string                                        $pointer
     */
    #[DataProvider('houses')]
    public function testAHouseThatCannotBeIsRefusedWhereItIsWrong(\Closure $broken, string $pointer): void
    {
        $refused = $this->call('POST', '/api/houses', ['id' => (new UuidV7())->toRfc4122(), 'address' => 'x', 'document' => $broken(self::document())], 422);
        self::assertStringStartsWith($pointer, self::textAt($refused['pointer']), self::textAt($refused['detail']));
    }

    public function testRepeatedKeysAreFoundInOnePass(): void
    {
        $object = [];
        for ($key = 0; $key < 40_000; ++$key) {
            $object["k$key"] = [$key];
        }
        $json = json_encode(['parts' => $object], \JSON_THROW_ON_ERROR);
        // Quadratic, this took ten seconds; the time limit of a request would end it.
        set_time_limit(5);
        self::assertNull(RepeatedKeys::first($json));
        self::assertSame('/parts/k7', RepeatedKeys::first(str_replace('"k39999"', '"k7"', $json)));
        set_time_limit(0);
        foreach (['{"a":1,"a":2}' => '/a', '{"a":{"b":[{"c":1},{"c":2,"c":3}]}}' => '/a/b/1/c', '{"a":1,"\u0061":2}' => '/a', '{"a/b":1,"a/b":2}' => '/a~1b', '{"7":1,"7":2}' => '/7', '[{"a":1},{"a":1}]' => null, '{"a":"a","b":["a","a"]}' => null] as $text => $at) {
            self::assertSame($at, RepeatedKeys::first($text), $text);
        }
    }

    public function testOddTextsAndTimesAreRefused(): void
    {
        $call = ['id' => (new UuidV7())->toRfc4122(), 'address' => '1 Odd Row', 'customer' => 'Mr Odd', 'complaint' => 'Odd.', 'visit' => 'fault', 'openedAt' => '2026-11-20T09:00:00Z'];
        foreach ([['address', "a\0b"], ['customer', "\x1B[2J"], ['complaint', str_repeat('x', 4001)], ['openedAt', '2026-02-30T09:00:00Z'], ['openedAt', '9999-12-31T23:59:59Z'], ['openedAt', '0000-00-00T00:00:00Z']] as [$key, $value]) {
            self::assertSame("/$key", $this->call('POST', '/api/calls', [$key => $value] + $call, 422)['pointer']);
        }
        $this->call('POST', '/api/calls', str_repeat('[', 70).str_repeat(']', 70), 400);
        $this->call('POST', '/api/calls', '{"id":"'."\xC3\x28".'"}', 400);
        $this->call('GET', '/api/calls?search='.str_repeat('x', 300), null, 422);
        $this->call('GET', '/api/calls?search[]=x', null, 422);
        $this->call('GET', '/api/houses?search=%00', null, 422);
    }

    public function testALargeHouseIsKeptAndSaysWhatItCannotDo(): void
    {
        $document = self::document();
        self::assertTrue(Size::isInteractive(House::fromDocument($document)));
        \assert(\is_array($document['parts']));
        for ($at = 0; $at <= Size::INTERACTIVE_POINTS; ++$at) {
            $document['parts']["extra-$at"] = ['kind' => 'socket', 'place' => 'p-rl-hall', 'name' => "Extra $at"];
        }
        $id = (new UuidV7())->toRfc4122();
        $house = $this->call('POST', '/api/houses', ['id' => $id, 'address' => 'Large', 'document' => $document], 201);
        self::assertStringContainsString('400', json_encode($house['findings'], \JSON_THROW_ON_ERROR));
        $call = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/calls', ['id' => $call, 'address' => 'Large', 'customer' => 'A hotel', 'complaint' => 'Odd.', 'visit' => 'fault', 'openedAt' => '2026-11-20T09:00:00Z', 'houseId' => $id], 201);
        foreach (['ranking', 'next-tests', 'map'] as $what) {
            self::assertStringContainsString('400', self::textAt($this->call('GET', "/api/calls/$call/$what", null, 409)['detail']));
        }
        $this->observe($call, 'measured', ['instrument' => 'two-pole-indicator', 'raw' => '230', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]]);
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents(__DIR__.'/../../demo/houses/wicket-lane.json'), true, 64, \JSON_THROW_ON_ERROR);

        return $document;
    }
}
