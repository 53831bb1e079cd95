<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Component\Uid\UuidV7;

final class SurveyTest extends ApiTestCase
{
    private const SHEET = [
        'ruleSet' => 'A', 'room' => 'Hall', 'mainAmperes' => 100, 'evidence' => ['rod', 'no-earth-from-supply'], 'system' => '',
        'groups' => [['name' => 'Device A', 'milliamps' => 30, 'type' => 'A']],
        'ways' => [
            ['device' => 'breaker', 'feeds' => 'ring-low', 'amperes' => 32, 'curve' => 'B', 'group' => 0, 'neutral' => 'unknown'],
            ['device' => 'breaker', 'feeds' => 'lights-low', 'amperes' => 6, 'curve' => 'B', 'group' => 0, 'neutral' => 'unknown'],
        ],
    ];

    public function testWhatIsTypicalIsOfferedUnderEveryRuleSet(): void
    {
        foreach (['A', 'B', 'C'] as $ruleSet) {
            $lists = $this->call('GET', "/api/surveys/$ruleSet");
            self::assertNotSame([], $lists['patterns']);
            self::assertNotSame([], $lists['feeds']);
            self::assertSame('B' === $ruleSet, [] === $lists['evidence']);
        }
        $this->call('GET', '/api/surveys/Z', null, 404);
    }

    public function testASheetIsDrawnUpWithoutBeingStoredAndThenStoredOnce(): void
    {
        $drawn = $this->call('POST', '/api/surveys', ['address' => '3 Fennel Rise', 'sheet' => self::SHEET]);
        self::assertSame('TT', self::at($drawn, 'earthing', '0', 'arrangement'));
        self::assertSame('Main switch', self::at($drawn, 'board', 'devices', '1', 'device'));
        $refused = $this->call('POST', '/api/surveys', ['address' => '3 Fennel Rise', 'sheet' => ['ways' => []] + self::SHEET], 422);
        self::assertSame('/sheet/ways', $refused['pointer']);

        $call = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/calls', ['id' => $call, 'address' => '3 Fennel Rise', 'customer' => 'Mrs Pell', 'complaint' => 'It trips.', 'visit' => 'fault', 'openedAt' => '2026-11-26T08:00:00Z'], 201);
        $this->call('GET', "/api/calls/$call/board", null, 409);
        $house = (new UuidV7())->toRfc4122();
        $stored = $this->call('POST', "/api/calls/$call/survey", ['id' => $house, 'sheet' => self::SHEET], 201);
        self::assertSame($house, self::at($stored, 'call', 'houseId'));
        self::assertSame($stored, $this->call('POST', "/api/calls/$call/survey", ['id' => $house, 'sheet' => self::SHEET], 201), 'the same request again is the same house');
        self::assertEquals(self::SHEET, self::at($this->call('GET', "/api/houses/$house"), 'document', 'survey'), 'the sheet stays with the house, to be begun from again');
        self::assertSame('Ring, ground floor', self::at($this->call('GET', "/api/calls/$call/map"), 'ways', '0', 'name'));
        self::assertCount(2, (array) self::at($this->call('GET', "/api/calls/$call/board"), 'devices'));

        // Surveyed again while nothing refers to the house; no longer once something does.
        $other = (new UuidV7())->toRfc4122();
        $this->call('POST', "/api/calls/$call/survey", ['id' => $other, 'sheet' => self::SHEET], 201);
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'way1', 'value' => 'off']]]);
        $this->call('POST', "/api/calls/$call/survey", ['id' => (new UuidV7())->toRfc4122(), 'sheet' => self::SHEET], 409);
    }
}
