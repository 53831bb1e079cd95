<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\CallStore;
use App\Entity\Call;
use App\Entity\Observation;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\UuidV7;

/** What is stored belongs together, is stored once, and stays readable whatever comes beside it. */
final class EvidenceTest extends ApiTestCase
{
    private const VOLTS = ['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-N'], 'around' => []], 'raw' => '231'];

    public function testAReadingIsRefusedWhenItsPartsDoNotBelongTogether(): void
    {
        $call = $this->demoCall('4 Wicket');
        $test = ['test' => 'polarity-live:rl-hall.front:L-N'];
        $last = ['setUpAt' => self::at($this->call('GET', "/api/calls/$call"), 'last')];
        $this->observe($call, 'measured', self::VOLTS + $test + $last);
        self::assertStringContainsString('not those of “Voltage, line–neutral at Hall”', self::textAt($this->observe($call, 'measured', ['instrument' => 'clamp', 'connection' => ['terminals' => [], 'around' => ['+lights-up-r1/N']], 'raw' => '3.4'] + $test, 422)['detail']), 'a supply voltage never becomes a clamp current');
        self::assertSame('/payload/test', $this->observe($call, 'measured', ['connection' => ['terminals' => ['rl-bay.front-L', 'rl-bay.front-N'], 'around' => []]] + self::VOLTS + $test, 422)['pointer']);
        self::assertSame('/payload/test', $this->observe($call, 'measured', self::VOLTS + ['test' => 'polarity-live:attic:L-N'], 422)['pointer']);
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'main', 'value' => 'off']]]);
        $refused = $this->observe($call, 'measured', self::VOLTS + $last, 409);
        self::assertSame(['/payload/setUpAt', true], [$refused['pointer'], str_contains(self::textAt($refused['detail']), 'Switch Main switch off')], 'what was set up with the main on is not stored with it off');
        self::assertStringContainsString('another state of the house: Switch Main switch on', self::textAt($this->observe($call, 'measured', self::VOLTS + $test, 409)['detail']));
        self::assertSame('/payload/setUpAt', $this->observe($call, 'measured', self::VOLTS + ['setUpAt' => (new UuidV7())->toRfc4122()], 409)['pointer']);
        self::assertSame('/seen', $this->observe($call, 'measured', self::VOLTS, 422, null, ['seen' => 4000])['pointer']);
        self::assertSame('/seen', $this->observe($call, 'measured', self::VOLTS, 422, null, ['seen' => -1])['pointer']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function figures(): iterable
    {
        yield 'full-width digits are digits' => ['voltmeter-high-z', '２３０'];
        yield 'eastern Arabic digits are digits' => ['voltmeter-high-z', '٢٣٠'];
        yield 'Devanagari digits are digits' => ['voltmeter-high-z', '२३० V'];
    }

    #[DataProvider('figures')]
    public function testDigitsOfOtherScriptsAreReadAsTheFigureTheyAre(string $instrument, string $raw): void
    {
        $call = $this->demoCall('4 Wicket');
        $stored = $this->observe($call, 'measured', ['raw' => $raw, 'instrument' => $instrument] + self::VOLTS);
        $observations = (array) $stored['observations'];
        self::assertSame(230.0, self::at((array) end($observations), 'verdict', 'value'));
    }

    public function testAMalformedEntryOfAnOlderVersionIsSetAsideAndTheListGoesOn(): void
    {
        $call = $this->demoCall('4 Wicket');
        $entities = self::service(EntityManagerInterface::class);
        $row = $entities->find(Call::class, \Symfony\Component\Uid\Uuid::fromString($call));
        self::assertInstanceOf(Call::class, $row);
        $journal = self::service(CallStore::class)->journal($row);
        $at = new \DateTimeImmutable('2026-11-20 10:00:00');
        $entities->persist(new Observation(new UuidV7(), $row->firm, $row, $journal->position() + 1, 'advised', ['step' => 5], [], 1, [], $this->user(), $at, $at));
        $entities->flush();
        $detail = $this->call('GET', "/api/calls/$call");
        $record = (array) $detail['record'];
        self::assertStringContainsString('cannot be read', self::textAt(self::at((array) end($record), 'words')));
        self::assertSame(1, self::at($detail, 'call', 'unreadable'));
        self::assertCount(2, (array) $this->call('GET', '/api/calls')['calls']);
        $this->observe($call, 'measured', self::VOLTS);
        $this->call('GET', "/api/calls/$call/ranking");
        self::assertStringContainsString('step', self::textAt($this->observe($call, 'advised', ['text' => 'x', 'step' => 5], 422)['detail']), 'and no such entry comes in any more');
    }

    public function testAHouseMayNotLoseWhatAnEntryNames(): void
    {
        $call = $this->demoCall('4 Wicket');
        $house = self::textAt(self::at($this->call('GET', "/api/calls/$call"), 'call', 'houseId'));
        $this->observe($call, 'measured', ['connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-N'], 'around' => []]] + self::VOLTS);
        $document = $this->call('GET', "/api/houses/$house");
        $cable = null;
        foreach ((array) self::at($document, 'document', 'cables') as $id => $each) {
            $cable = str_contains(json_encode($each, \JSON_THROW_ON_ERROR), 'rl-hall.') ? (string) $id : $cable;
        }
        self::assertIsString($cable);
        $change = fn (array $operation, int $version, int $status): array => $this->call('POST', "/api/houses/$house/operations", ['id' => (new UuidV7())->toRfc4122(), 'baseVersion' => $version, 'operation' => $operation], $status);
        $this->observe($call, 'measured', ['instrument' => 'clamp', 'connection' => ['terminals' => [], 'around' => ["+$cable/L"]], 'raw' => '0']);
        $refused = $change(['op' => 'remove', 'collection' => 'cables', 'id' => $cable], 1, 409);
        self::assertStringContainsString('Ines Corran', self::textAt($refused['detail']));
        self::assertSame(1, self::at($this->call('GET', "/api/houses/$house"), 'version'));
        $change(['op' => 'rename', 'collection' => 'parts', 'id' => 'rl-hall', 'name' => 'Vestibule'], 1, 201);
        $wheres = array_column((array) $this->call('GET', "/api/calls/$call")['readings'], 'where');
        self::assertContains('Voltage, line–neutral at Hall', $wheres, 'an entry keeps the names of the house it was made in');
        $after = $this->observe($call, 'measured', self::VOLTS);
        self::assertContains('Voltage, line–neutral at Vestibule', array_column((array) $after['readings'], 'where'));
    }

    public function testClocksThatDifferAreBothShownAndNoDayThatIsNone(): void
    {
        $call = $this->demoCall('4 Wicket');
        $line = function (int $seconds) use ($call): mixed {
            $record = (array) $this->observe($call, 'advised', ['text' => 'Look again.'], 201, null, ['at' => gmdate('Y-m-d\TH:i:s\Z', time() + $seconds)])['record'];

            return self::at((array) end($record), 'storedAt');
        };
        self::assertNull($line(-200));
        self::assertNotNull($line(-400));
        foreach (['2026-13-45T10:00:00Z', '2026-02-30T10:00:00Z', '2026-11-20T10:00:00+99:99', '9999-01-01T00:00:00Z', "2026-11-20T10:00:00Z\0", '2026-11-20T25:00:00Z'] as $none) {
            self::assertSame('/at', $this->observe($call, 'advised', ['text' => 'x'], 422, null, ['at' => $none])['pointer'], $none);
        }
    }

    public function testADeviceThatTripsStandsOpenUntilItIsReset(): void
    {
        $call = $this->demoCall('4 Wicket');
        $trips = $this->observe($call, 'measured', ['instrument' => 'device-watch', 'connection' => ['terminals' => [], 'around' => ['+rcd-b/L', '+rcd-b/N']], 'raw' => 'trips']);
        self::assertSame('off', self::at($trips, 'state', 'positions', 'rcd-b'));
        $map = $this->call('GET', "/api/calls/$call/map");
        foreach ((array) $map['levers'] as $lever) {
            self::assertSame('rcd-b' !== self::at((array) $lever, 'device'), self::at((array) $lever, 'on'));
        }
        self::assertNotSame('expected-live', self::at((array) $map['live'], 'ru-landing.front-L'), 'the map shows what is behind it as dead, as far as the causes allow');
        $watched = ['live' => ['Landing'], 'dead' => [], 'asExpected' => false, 'trips' => true];
        self::assertSame('/payload/watched/found', $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'rcd-b', 'value' => 'on']], 'watched' => ['trips' => false] + $watched], 422)['pointer']);
        $again = $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'rcd-b', 'value' => 'on']], 'watched' => $watched]);
        self::assertSame('off', self::at($again, 'state', 'positions', 'rcd-b'), 'it opened again');
        self::assertSame(5 + 1, $this->call('GET', "/api/calls/$call/ranking")['readings'], 'and that is evidence');
        $reset = $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'rcd-b', 'value' => 'on']]]);
        self::assertArrayNotHasKey('rcd-b', (array) self::at($reset, 'state', 'positions'));
        $tried = $this->observe($call, 'lever', ['device' => 'rcd-b', 'dead' => ['ring-low'], 'live' => ['loft']]);
        $record = (array) $tried['record'];
        self::assertContains(['label' => 'Not as the survey says', 'value' => 'Ring, ground floor; Loft room sockets'], array_map(static fn (mixed $fact): array => (array) $fact, (array) self::at((array) end($record), 'facts')));
        self::assertStringContainsString('cannot have done that', self::textAt($this->observe($call, 'told', ['text' => 'It tripped.', 'symptom' => 'residual-trip', 'device' => 'way2'], 422)['detail']));
        $this->observe($call, 'told', ['text' => 'It tripped.', 'symptom' => 'overcurrent-trip', 'device' => 'way2']);
    }
}
