<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Component\Uid\UuidV7;

/** A call from its opening to its proof. */
final class CallTest extends ApiTestCase
{
    public function testTheDemonstrationHasACallAtEachStage(): void
    {
        self::assertSame(['trace', 'put-right'], array_column((array) $this->call('GET', '/api/calls')['calls'], 'stage'));
        self::assertSame(['closed'], array_column((array) $this->call('GET', '/api/calls?closed=true')['calls'], 'stage'));
        $closed = $this->call('GET', '/api/calls/'.$this->demoCall('19 Sallow'));
        self::assertTrue(\in_array(true, array_column((array) $closed['readings'], 'proves'), true));
    }

    public function testOpeningACallTwiceIsOpeningItOnce(): void
    {
        $call = ['id' => (new UuidV7())->toRfc4122(), 'address' => '1 New Street', 'customer' => 'Mr Brack', 'complaint' => 'It hums.', 'visit' => 'fault', 'openedAt' => '2026-11-20T09:00:00Z'];
        $first = $this->call('POST', '/api/calls', $call, 201);
        self::assertSame($first, $this->call('POST', '/api/calls', $call, 201));
        self::assertCount(3, (array) $this->call('GET', '/api/calls')['calls']);
        self::assertSame('/id', $this->call('POST', '/api/calls', ['address' => '2 New Street'] + $call, 409)['pointer'], 'what was typed otherwise is not dropped without a word');
        self::assertSame('/visit', $this->call('POST', '/api/calls', ['id' => (new UuidV7())->toRfc4122(), 'visit' => 'party'] + $call, 422)['pointer']);
        self::assertSame('/id', $this->call('POST', '/api/calls', ['id' => 'one'] + $call, 422)['pointer']);
        self::assertSame('/customer', $this->call('POST', '/api/calls', ['id' => (new UuidV7())->toRfc4122(), 'customer' => ' '] + $call, 422)['pointer']);
        $this->call('POST', '/api/calls', ['id' => (new UuidV7())->toRfc4122(), 'houseId' => (new UuidV7())->toRfc4122()] + $call, 404);
    }

    public function testACallWithoutAHouseStillTakesReadings(): void
    {
        $id = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/calls', ['id' => $id, 'address' => '1 New Street', 'customer' => 'Mr Brack', 'complaint' => 'It hums.', 'visit' => 'fault', 'openedAt' => '2026-11-20T09:00:00Z'], 201);
        $after = $this->observe($id, 'measured', ['instrument' => 'voltmeter-high-z', 'near' => 'the socket behind the piano', 'raw' => '231 V']);
        self::assertSame('the socket behind the piano', self::at($after, 'readings', 0, 'where'));
        self::assertFalse(self::at($after, 'readings', 0, 'placed'));
        $this->call('GET', "/api/calls/$id/ranking", null, 409);
        self::assertSame('/payload/near', $this->observe($id, 'measured', ['instrument' => 'voltmeter-high-z', 'raw' => '231 V'], 422)['pointer']);
    }

    public function testWhatIsSeenAtAPlaceMakesItsCausesLikelier(): void
    {
        $call = $this->demoCall('4 Wicket');
        $chances = function () use ($call): array {
            $chances = [];
            foreach ((array) $this->call('GET', "/api/calls/$call/ranking")['suspects'] as $suspect) {
                $chances[self::textAt(self::at((array) $suspect, 'title'))] = self::at((array) $suspect, 'probability');
            }

            return $chances;
        };
        $before = $chances();
        self::assertContains('shared-terminal', array_column((array) $this->call('GET', '/api/picks')['findings'], 'slug'));
        self::assertSame('/payload/finding', $this->observe($call, 'seen', ['text' => 'A ghost', 'finding' => 'ghost'], 422)['pointer']);
        self::assertSame('/payload/place', $this->observe($call, 'seen', ['text' => 'Two blues in one screw', 'finding' => 'shared-terminal', 'place' => 'attic'], 422)['pointer']);
        $this->observe($call, 'seen', ['text' => 'Two blues in one screw', 'finding' => 'shared-terminal']);
        self::assertGreaterThan($before['Borrowed neutral'] ?? 0.0, $chances()['Borrowed neutral'] ?? 0.0);
        $this->observe($call, 'seen', ['text' => 'Nothing of the list']);
        self::assertSame('/payload/forced/0', $this->observe($call, 'measured', ['instrument' => 'low-ohm', 'raw' => '0.5', 'near' => 'the loft', 'forced' => ['shouting']], 422)['pointer']);
    }

    public function testALookHasItsClassItsGradeAndItsPhotoWhichIsFetchedByItself(): void
    {
        $call = $this->demoCall('4 Wicket');
        foreach ([['look' => 'ghost'], ['look' => 'warm', 'class' => 'Q'], ['look' => 'warm', 'knowing' => 'hoped'], ['look' => 'warm', 'photo' => 'data:image/png;base64,AAAA'], ['look' => 'warm', 'photo' => 'data:image/png;base64,'.str_repeat('A', 700_001)]] as $at => $payload) {
            self::assertSame('/payload/'.['look', 'class', 'knowing', 'photo', 'photo'][$at], $this->observe($call, 'seen', $payload, 422)['pointer']);
        }
        ob_start();
        imagepng(imagecreatetruecolor(3, 2) ?: throw new \LogicException());
        $picture = base64_encode((string) ob_get_clean());
        $seen = $this->observe($call, 'seen', ['look' => 'warm', 'class' => 'D', 'photo' => "data:image/png;base64,$picture"]);
        $observations = (array) $seen['observations'];
        $last = (array) end($observations);
        self::assertSame(['words' => 'Warm to the hand with its usual load', 'class' => 'D', 'finding' => 'warm'], $last['verdict']);
        self::assertTrue(self::at($last, 'payload', 'photo'), 'not sent along with the call');
        $this->client->request('GET', "/api/calls/$call/observations/".self::textAt($last['id']).'/photo');
        self::assertSame('image/jpeg', $this->client->getResponse()->headers->get('Content-Type'));
        self::assertSame([3, 2, \IMAGETYPE_JPEG], \array_slice((array) getimagesizefromstring((string) $this->client->getResponse()->getContent()), 0, 3));
        self::assertStringContainsString('no-store', (string) $this->client->getResponse()->headers->get('Cache-Control'));
        $this->call('GET', "/api/calls/$call/observations/".self::textAt(self::at($observations, 0, 'id')).'/photo', null, 404);
    }

    public function testEverySymptomNeedsItsVerdictAndPeopleAreWrittenDown(): void
    {
        $call = $this->demoCall('Salter');
        $detail = $this->call('GET', "/api/calls/$call");
        self::assertCount(1, (array) $detail['unsettled']);
        $told = self::textAt(self::at($detail, 'unsettled', 0));
        self::assertSame('/payload/verdict', $this->observe($call, 'settled', ['observation' => $told, 'verdict' => 'blessed', 'text' => 'x'], 422)['pointer']);
        self::assertSame('/payload/observation', $this->observe($call, 'settled', ['observation' => '0190a000-0000-7000-8000-000000000000', 'verdict' => 'cured', 'text' => 'x'], 422)['pointer']);
        self::assertSame([], $this->observe($call, 'settled', ['observation' => $told, 'verdict' => 'explained', 'text' => 'The earth is back.'])['unsettled']);
        // Told late: it needs its own.
        self::assertCount(1, (array) $this->observe($call, 'told', ['text' => 'The lights flicker too.', 'symptom' => 'flicker'])['unsettled']);
        self::assertSame('/payload/resets', $this->observe($call, 'told', ['text' => 'x', 'resets' => 'by-magic'], 422)['pointer']);
        self::assertSame('/payload/occupants/0', $this->observe($call, 'people', ['occupants' => ['dragons'], 'contacts' => []], 422)['pointer']);
        self::assertSame('/payload/contacts/0/role', $this->observe($call, 'people', ['occupants' => [], 'contacts' => [['role' => 'butler', 'name' => 'x']]], 422)['pointer']);
        $this->observe($call, 'people', ['occupants' => ['medical'], 'contacts' => [['role' => 'owner', 'name' => 'Mr Teague', 'how' => 'bell']]]);
    }

    public function testEarlierVisitsToTheAddressAreInSight(): void
    {
        $id = (new UuidV7())->toRfc4122();
        $detail = $this->call('POST', '/api/calls', ['id' => $id, 'address' => '19 Sallow Court, Ottersby', 'customer' => 'Ms Vale', 'complaint' => 'The bell has stopped.', 'visit' => 'call-back', 'openedAt' => '2027-01-10T08:00:00Z'], 201);
        self::assertStringContainsString('Line and neutral reversed', self::textAt(self::at($detail, 'earlier', 0, 'found')));
    }

    public function testFromTheCauseToTheProof(): void
    {
        $call = $this->demoCall('Salter');
        $this->observe($call, 'closed', ['text' => 'x'], 409);
        $this->observe($call, 'settled', ['observation' => self::at($this->call('GET', "/api/calls/$call"), 'unsettled', 0), 'verdict' => 'cured', 'text' => 'No tingle any more.']);
        $this->observe($call, 'repaired', ['text' => 'Cpc refitted in the workbench socket.']);
        $this->release($call);
        $this->observe($call, 'done', ['changes' => array_map(static fn (array $entry): array => ['operation' => $entry['backOperation'], 'subject' => $entry['subject'], 'value' => $entry['backValue']], $this->ledger($call))]);
        $lathe = ['terminals' => ['w-lathe.front-L', 'w-lathe.front-E'], 'around' => []];
        $still = $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => $lathe, 'raw' => '112 V']);
        self::assertSame('put-right', self::at($still, 'call', 'stage'));
        $lamps = ['terminals' => ['w-lathe.front-L', 'w-lathe.front-N', 'w-lathe.front-E'], 'around' => []];
        $screened = $this->observe($call, 'measured', ['instrument' => 'plug-in-tester', 'connection' => $lamps, 'raw' => '110']);
        self::assertSame('put-right', self::at($screened, 'call', 'stage'), 'lamps prove nothing where a voltmeter failed');
        $proved = $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => $lathe, 'raw' => '229.4 V']);
        self::assertSame('hand-over', self::at($proved, 'call', 'stage'));
        self::assertSame([], self::at($proved, 'call', 'unsafe'));
        self::assertSame('closed', self::at($this->observe($call, 'closed', ['text' => 'Mr Teague told at the door.', 'coversOn' => true]), 'call', 'stage'));
        $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => $lathe, 'raw' => '230 V'], 409);
        $this->observe($call, 'told', ['text' => 'He rang: all is well.']);
    }

    public function testACauseIsAcceptedWithTheRankingFrozen(): void
    {
        $call = $this->demoCall('4 Wicket');
        self::assertSame('/payload/knowing', $this->observe($call, 'accepted', ['hypothesis' => 'borrowed-neutral|stair~lights-up', 'knowing' => 'felt'], 422)['pointer']);
        self::assertSame('/payload/hypothesis', $this->observe($call, 'accepted', ['hypothesis' => 'gremlins', 'knowing' => 'seen'], 422)['pointer']);
        $this->observe($call, 'repaired', ['text' => 'x'], 409);
        $after = $this->observe($call, 'accepted', ['hypothesis' => 'borrowed-neutral|stair~lights-up', 'knowing' => 'inferred']);
        $cause = array_values(array_filter((array) $after['record'], static fn (mixed $line): bool => 'cause' === self::at((array) $line, 'section')));
        $facts = array_column((array) self::at((array) end($cause), 'facts'), 'value', 'label');
        self::assertMatchesRegularExpression('/^Engine \d+, catalogue \d+, rates .+, rule set A$/', self::textAt($facts['Computed with'] ?? ''), 'so that it can be computed again');
        $verdict = self::at($after, 'observations', \count((array) $after['observations']) - 1, 'verdict');
        self::assertSame('P', self::at((array) $verdict, 'class'));
        self::assertCount(5, (array) self::at((array) $verdict, 'ranking'));
        self::assertArrayHasKey('engine', (array) self::at((array) $verdict, 'versions'));
    }

    /** @return list<array<string, string>> */
    private function ledger(string $call): array
    {
        $ledger = $this->call('GET', "/api/calls/$call")['ledger'];
        self::assertIsArray($ledger);
        self::assertNotEmpty($ledger);

        /** @var list<array<string, string>> $ledger */
        return array_reverse($ledger);
    }
}
