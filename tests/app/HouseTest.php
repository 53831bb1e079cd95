<?php

declare(strict_types=1);

namespace App\Tests;

use App\House\HouseStore;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Network\Elimination;
use YellowProbe\Procedure\TestCatalogue;

final class HouseTest extends ApiTestCase
{
    public function testOneCableLengthMovesEveryExpectationDownstreamByTheHandWorkedAmount(): void
    {
        [$call, $houseId] = $this->saltersHill();
        $before = $this->stored($houseId);
        // 10 m more of 4/1.5 mm²: 10 × (4.61 + 12.10) mΩ = 0.1671 Ω on R1+R2; on the live loop the same 0.1671 Ω.
        $this->change($houseId, 1, ['op' => 'set-length', 'cable' => 'workshop-r1', 'metres' => 34.0, 'knowing' => 'measured']);
        $after = $this->stored($houseId);
        foreach (['w-door', 'w-bench', 'w-lathe'] as $socket) {
            self::assertEqualsWithDelta(0.1671, $this->reads($after, "r1-r2:$socket") - $this->reads($before, "r1-r2:$socket"), 1e-6, $socket);
            self::assertEqualsWithDelta(0.1671, $this->reads($after, "zs:$socket.front:L-E") - $this->reads($before, "zs:$socket.front:L-E"), 1e-3, $socket);
        }
        foreach (['r-table', 'r-bed'] as $socket) {
            self::assertEqualsWithDelta(0.0, $this->reads($after, "r1-r2:$socket") - $this->reads($before, "r1-r2:$socket"), 1e-9, $socket);
        }
        // And what the page is told moves with it: 70.7 Ω at the workbench before.
        $this->observe($call, 'repaired', ['text' => 'x']);
        $this->release($call);
        $this->observe($call, 'done', ['explained' => 'test', 'changes' => [['operation' => 'unlink', 'subject' => 'way4.Lout', 'value' => 'met.t5'], ['operation' => 'set', 'subject' => 'way4', 'value' => 'on'], ['operation' => 'set', 'subject' => 'main', 'value' => 'on']]]);
        $predicted = $this->call('POST', "/api/calls/$call/predictions", ['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['w-bench.front-L', 'w-bench.front-N'], 'around' => []]]);
        self::assertSame(\sprintf('%.2f Ω', $this->reads($after, 'zs:w-bench.front:L-N')), $predicted['expected']);
    }

    public function testAStaleEditIsRefusedAndHistoryStays(): void
    {
        [, $houseId] = $this->saltersHill();
        $operation = ['op' => 'rename', 'collection' => 'parts', 'id' => 'w-lathe', 'name' => 'Lathe socket'];
        $id = (new UuidV7())->toRfc4122();
        $changed = $this->change($houseId, 1, $operation, 201, $id);
        self::assertSame(2, $changed['version']);
        self::assertSame($changed, $this->change($houseId, 1, $operation, 201, $id), 'the same request again is the same version');
        self::assertSame('/id', $this->change($houseId, 2, ['op' => 'rename', 'collection' => 'parts', 'id' => 'w-lathe', 'name' => 'Other'], 409, $id)['pointer']);
        self::assertSame('/baseVersion', $this->change($houseId, 1, $operation, 409)['pointer']);
        self::assertSame('Lathe', self::at($this->call('GET', "/api/houses/$houseId?version=1"), 'document', 'parts', 'w-lathe', 'name'));
        self::assertSame('Lathe socket', self::at($this->call('GET', "/api/houses/$houseId"), 'document', 'parts', 'w-lathe', 'name'));
        $this->call('GET', "/api/houses/$houseId?version=9", null, 404);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badOperations(): iterable
    {
        yield 'unknown' => [['op' => 'demolish'], '/operation/op'];
        yield 'a length that cannot exist' => [['op' => 'set-length', 'cable' => 'workshop-r1', 'metres' => -1], '/operation/metres'];
        yield 'a conductor to nowhere' => [['op' => 'land', 'cable' => 'workshop-r1', 'core' => 'L', 'end' => 2, 'terminal' => 'moon.L'], '/operation/cables/workshop-r1/cores/L/ends/1'];
        yield 'what the schema does not allow' => [['op' => 'put', 'collection' => 'parts', 'id' => 'w-new', 'value' => ['kind' => 'socket', 'place' => 'p-w-bench', 'outlets' => ['LEFT']]], '/operation/parts/w-new/outlets/0'];
    }

    /** @param array<string, mixed> $operation */
    #[DataProvider('badOperations')]
    public function testABadOperationChangesNothing(array $operation, string $pointer): void
    {
        [, $houseId] = $this->saltersHill();
        self::assertSame($pointer, $this->change($houseId, 1, $operation, 422)['pointer']);
        self::assertSame(1, $this->call('GET', "/api/houses/$houseId")['version']);
    }

    public function testPaperHousesAreImportedExportedAndSolved(): void
    {
        foreach (['panel-with-multiwire', 'rod-and-outbuilding', 'split-board-borrowed-neutral', 'wicket-lane'] as $name) {
            $json = (string) file_get_contents(__DIR__."/../../demo/houses/$name.json");
            $id = (new UuidV7())->toRfc4122();
            $house = $this->call('POST', '/api/houses', \sprintf('{"id": "%s", "address": "Paper", "document": %s}', $id, $json), 201);
            self::assertEquals(json_decode($json, true), $house['document'], $name);
            $network = HouseNetwork::build($this->stored($id), State::fromArray([]), Excitation::mains());
            self::assertLessThan(1e-9, Elimination::of($network, $network->node(HouseNetwork::GROUND))->solve()->residual, $name);
        }
    }

    public function testAHouseWiredWithABorrowedNeutralReadsAsTheFaultDoes(): void
    {
        // The paper house has the loan in its wiring: the lamp of the lower steps shows on the upper neutral.
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents(__DIR__.'/../../demo/houses/split-board-borrowed-neutral.json'), true);
        $house = House::fromDocument($document);
        self::assertEqualsWithDelta(94.5, $this->reads($house, 'line-to-other-neutral:l2:up'), 0.6);
    }

    public function testAnOddHouseIsTakenAndSaysWhatIsOdd(): void
    {
        [$call, $houseId] = $this->saltersHill();
        self::assertSame([], $this->call('GET', "/api/houses/$houseId")['findings']);
        $changed = $this->change($houseId, 1, ['op' => 'put', 'collection' => 'parts', 'id' => 'w-new', 'value' => ['kind' => 'socket', 'place' => 'p-w-bench', 'name' => 'New socket']]);
        self::assertSame(['pointer' => '/parts/w-new', 'words' => 'No cable comes to New socket yet.'], self::at($changed, 'findings', 0));
        self::assertSame(['No cable comes to New socket yet.'], $this->call('GET', "/api/calls/$call/map")['findings']);
    }

    /** @return iterable<string, array{string, string}> document, pointer */
    public static function badDocuments(): iterable
    {
        yield 'not a house' => ['{}', '/document'];
        yield 'another format' => ['{"format": "other", "places": {}, "parts": {}, "cables": {}, "circuits": {}}', '/document/format'];
        yield 'a wrong type' => ['{"format": "yellow-probe/house/1", "places": {"a": {"kind": "board"}}, "parts": {"p": {"kind": "bar", "place": "a", "role": "N", "terminals": "many"}}, "cables": {}, "circuits": {}}', '/document/parts/p/terminals'];
        yield 'a dangling place' => ['{"format": "yellow-probe/house/1", "places": {}, "parts": {"p": {"kind": "socket", "place": "a"}}, "cables": {}, "circuits": {}}', '/document/parts/p/place'];
        yield 'an id that stands twice' => ['{"format": "yellow-probe/house/1", "places": {"a": {"kind": "board"}, "b": {"kind": "point"}, "a": {"kind": "point"}}, "parts": {}, "cables": {}, "circuits": {}}', '/document/places/a'];
        yield 'nothing' => ['null', '/document'];
    }

    #[DataProvider('badDocuments')]
    public function testABadDocumentIsRefusedWithThePlaceInIt(string $document, string $pointer): void
    {
        $id = (new UuidV7())->toRfc4122();
        self::assertSame($pointer, $this->call('POST', '/api/houses', \sprintf('{"id": "%s", "address": "Paper", "document": %s}', $id, $document), 422)['pointer']);
        $this->call('GET', "/api/houses/$id", null, 404);
    }

    /** @return array{string, string} call and house */
    private function saltersHill(): array
    {
        $call = $this->demoCall('Salter');

        return [$call, self::textAt(self::at($this->call('GET', "/api/calls/$call"), 'call', 'houseId'))];
    }

    private function stored(string $houseId): House
    {
        $store = self::service(HouseStore::class);

        return $store->model($store->find($this->user(), $houseId));
    }

    /**
     * @param array<string, mixed> $operation
     *
     * @return array<string, mixed>
     */
    private function change(string $houseId, int $base, array $operation, int $status = 201, ?string $id = null): array
    {
        return $this->call('POST', "/api/houses/$houseId/operations", ['id' => $id ?? (new UuidV7())->toRfc4122(), 'baseVersion' => $base, 'operation' => $operation], $status);
    }

    private function reads(House $house, string $test): float
    {
        $measurement = TestCatalogue::plans($house)[$test]->measurement;

        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read()->value;
    }
}
