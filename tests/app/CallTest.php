<?php

declare(strict_types=1);

namespace App\Tests;

use App\Entity\Firm;
use App\Entity\Observation;
use App\Entity\User;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\UuidV7;

final class CallTest extends ApiTestCase
{
    public function testAReadingThatCannotBeTrueIsNamedWithItsLikelyReason(): void
    {
        $call = $this->demoCall('4 Wicket');
        self::assertCount(0, $this->call('GET', "/api/calls/$call/contradictions"));
        $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []], 'raw' => '0.9']);
        foreach (['rl-hall.front-L' => 'rl-hall.front-N', 'rl-bay.front-L' => 'rl-bay.front-E'] as $line => $other) {
            $this->observe($call, 'measured', ['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => [$line, $other], 'around' => []], 'raw' => '231']);
        }
        $this->observe($call, 'measured', ['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []], 'raw' => '0.30']);
        $odd = $this->call('GET', "/api/calls/$call/contradictions");
        self::assertStringContainsString('Hall', self::textAt(self::at($odd, 0, 'where')));
        self::assertStringContainsString('take it again', self::textAt(self::at($odd, 0, 'words')));
    }

    public function testADeviceThatTripsIsEvidence(): void
    {
        $call = $this->demoCall('4 Wicket');
        $map = $this->call('GET', "/api/calls/$call/map");
        self::assertContains(['words' => 'Device A', 'around' => ['+rcd-a/L', '+rcd-a/N']], (array) $map['watches']);
        $this->observe($call, 'measured', ['instrument' => 'device-watch', 'connection' => ['terminals' => [], 'around' => ['+rcd-a/L', '+rcd-a/N']], 'raw' => 'trips']);
        $readings = (array) self::at($this->call('GET', "/api/calls/$call"), 'readings');
        self::assertSame('trips', self::at((array) $readings[\count($readings) - 1], 'raw'));
        self::assertSame('off', self::at((array) $readings[\count($readings) - 1], 'fit'), 'a sound house holds');
        $refused = $this->observe($call, 'measured', ['instrument' => 'device-watch', 'connection' => ['terminals' => [], 'around' => ['+rcd-a/L', '+rcd-a/N']], 'raw' => 'maybe'], 422);
        self::assertStringContainsString('holds', self::textAt($refused['detail'] ?? ''));
    }

    public function testAPredictionSaysWhyATesterCannotBeUsedNowAndTheWayOfItsCurrent(): void
    {
        $call = $this->demoCall('4 Wicket');
        $predict = fn (string $tester, string ...$terminals): array => $this->call('POST', "/api/calls/$call/predictions", ['instrument' => $tester, 'connection' => ['terminals' => $terminals, 'around' => []]]);
        $ohms = $predict('low-ohm', 'rl-hall.front-L', 'rl-hall.front-E');
        self::assertIsArray($ohms['cautions']);
        self::assertCount(1, $ohms['cautions']);
        self::assertStringContainsString('is for dead conductors only', self::textAt($ohms['cautions'][0]));
        $loop = $predict('loop-2-wire', 'rl-hall.front-L', 'rl-hall.front-E');
        self::assertSame([], $loop['cautions']);
        self::assertGreaterThan(0.0, $loop['bits']);
        self::assertIsArray($loop['path']);
        $words = array_map(static fn (mixed $step): string => self::textAt(self::at((array) $step, 'words')), $loop['path']);
        self::assertContains('Line of the supply', $words);
        self::assertContains('Earth contact of Hall', $words);
        self::assertSame($words, array_values(array_unique($words)));
    }

    public function testTheDemonstrationHasACallAtEachStage(): void
    {
        $calls = $this->call('GET', '/api/calls');
        self::assertSame(['trace', 'put-right', 'closed'], array_column($calls, 'stage'));
        $closed = $this->call('GET', '/api/calls/'.$this->demoCall('19 Sallow'));
        self::assertTrue(\in_array(true, array_column((array) $closed['readings'], 'proves'), true));
    }

    public function testOpeningACallTwiceIsOpeningItOnce(): void
    {
        $call = ['id' => (new UuidV7())->toRfc4122(), 'address' => '1 New Street', 'customer' => 'Mr Brack', 'complaint' => 'It hums.', 'visit' => 'fault', 'openedAt' => '2026-11-20T09:00:00Z'];
        $first = $this->call('POST', '/api/calls', $call, 201);
        self::assertSame($first, $this->call('POST', '/api/calls', $call, 201));
        self::assertCount(4, $this->call('GET', '/api/calls'));
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

    public function testARepeatedObservationIsStoredOnceAndAnotherUnderItsIdIsRefused(): void
    {
        $call = $this->demoCall('4 Wicket');
        $id = (new UuidV7())->toRfc4122();
        $first = $this->observe($call, 'told', ['text' => 'Also the bell rings.'], 201, $id);
        $again = $this->observe($call, 'told', ['text' => 'Also the bell rings.'], 201, $id);
        self::assertSame($first, $again);
        self::assertSame('/id', $this->observe($call, 'told', ['text' => 'Something else.'], 409, $id)['pointer']);
        self::assertSame($first, $this->call('GET', "/api/calls/$call"));
    }

    /** @return iterable<string, array{array<string, mixed>, int, string}> payload, status, pointer */
    public static function badReadings(): iterable
    {
        $at = ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []];
        yield 'wrong unit' => [['instrument' => 'loop-2-wire', 'connection' => $at, 'raw' => '230 V'], 422, '/raw'];
        yield 'impossible number' => [['instrument' => 'voltmeter-high-z', 'connection' => $at, 'raw' => '99999'], 422, '/raw'];
        yield 'ambiguous number' => [['instrument' => 'voltmeter-high-z', 'connection' => $at, 'raw' => '1,200'], 422, '/raw'];
        yield 'unknown tester' => [['instrument' => 'dowsing-rod', 'connection' => $at, 'raw' => '1'], 422, '/payload/instrument'];
        yield 'unknown terminal' => [['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'ghost.E'], 'around' => []], 'raw' => '0.4'], 422, '/payload/connection/terminals/1'];
        yield 'too few leads' => [['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L'], 'around' => []], 'raw' => '0.4'], 422, '/payload/connection/terminals'];
        yield 'two leads on one terminal' => [['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-L'], 'around' => []], 'raw' => '0.4'], 422, '/payload/connection/terminals'];
        yield 'a joint that is not lifted' => [['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => ['lights-up-r1/N@1', 'met.t1'], 'around' => []], 'raw' => '3'], 422, '/payload/connection/terminals/0'];
        yield 'ohms on live conductors' => [['instrument' => 'low-ohm', 'connection' => $at, 'raw' => '0.4'], 409, '/payload/instrument'];
    }

    /** @param array<string, mixed> $payload */
    #[DataProvider('badReadings')]
    public function testABadReadingIsRefusedAndNothingIsStored(array $payload, int $status, string $pointer): void
    {
        $call = $this->demoCall('4 Wicket');
        $before = $this->call('GET', "/api/calls/$call");
        self::assertSame($pointer, $this->observe($call, 'measured', $payload, $status)['pointer'] ?? '');
        self::assertSame($before, $this->call('GET', "/api/calls/$call"));
    }

    public function testAReadingIsJudgedAtOnceAndMovesTheRanking(): void
    {
        $call = $this->demoCall('4 Wicket');
        $before = $this->call('GET', "/api/calls/$call/ranking");
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'stair-top', 'value' => '1']]]);
        $around = [];
        foreach ((array) self::at($this->call('GET', "/api/calls/$call/map"), 'ways') as $way) {
            if ('lights-low' === self::at((array) $way, 'circuit')) {
                $around = self::at((array) $way, 'clamps', 0, 'around');
            }
        }
        $after = $this->observe($call, 'measured', ['instrument' => 'leakage-clamp', 'connection' => ['terminals' => [], 'around' => $around], 'raw' => '258 mA']);
        $reading = self::at($after, 'readings', 4);
        self::assertSame('off', self::at((array) $reading, 'fit'));
        self::assertSame('bad', self::at((array) $reading, 'judgements', 0, 'verdict'));
        self::assertSame(['Put Stair switch, head to position 1'], self::at((array) $reading, 'stateWords'));
        $ranking = $this->call('GET', "/api/calls/$call/ranking");
        self::assertSame(5, $ranking['readings']);
        self::assertSame('Borrowed neutral', self::at($ranking, 'suspects', 0, 'title'));
        self::assertStringContainsString('Stair light', self::textAt(self::at($ranking, 'suspects', 0, 'where', 0)));
        self::assertGreaterThan(self::at($before, 'suspects', 0, 'probability'), self::at($ranking, 'suspects', 0, 'probability'));
        $tests = static fn (array $advice): array => array_column((array) $advice['tests'], 'instrument');
        $next = $tests($this->call('GET', "/api/calls/$call/next-tests"));
        self::assertNotEmpty($next);
        self::assertNotContains($next[0], $tests($this->call('GET', "/api/calls/$call/next-tests?without={$next[0]}")), 'what is not to hand is not proposed');
        self::assertStringContainsString('No tester is called', self::textAt(self::at($this->call('GET', "/api/calls/$call/next-tests?without=none-such", status: 422), 'detail')));

        $assistant = $this->call('GET', "/api/calls/$call/next-tests?role=assistant&residual=board&loop=calculated");
        self::assertNotContains('zs', array_column((array) $assistant['tests'], 'procedure'));
        self::assertNotContains('residual-clamp', array_column((array) $assistant['tests'], 'procedure'));
        self::assertSame('/practice', $this->call('GET', "/api/calls/$call/next-tests?role=foreman", status: 422)['pointer']);

        // Doubted, it counts for less, and says why.
        $doubted = $this->observe($call, 'doubted', ['observation' => self::at((array) $reading, 'id'), 'reason' => 'The jaw stood near the tails.']);
        self::assertSame('The jaw stood near the tails.', self::at($doubted, 'readings', 4, 'doubted'));
        self::assertLessThan(self::at($ranking, 'suspects', 0, 'probability'), self::at($this->call('GET', "/api/calls/$call/ranking"), 'suspects', 0, 'probability'));

        // Withdrawn, the ranking is as it was; the reading stays on the record with its reason.
        $withdrawn = $this->observe($call, 'withdrawn', ['observation' => self::at((array) $reading, 'id'), 'reason' => 'Jaw not closed.']);
        self::assertSame('Jaw not closed.', self::at($withdrawn, 'readings', 4, 'withdrawn'));
        self::assertEquals($before, $this->call('GET', "/api/calls/$call/ranking"));
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
        self::assertSame('/payload/forced', $this->observe($call, 'measured', ['instrument' => 'low-ohm', 'raw' => '0.5', 'near' => 'the loft', 'forced' => ['shouting']], 422)['pointer']);
    }

    public function testALookHasItsClassItsGradeAndItsPhotoWhichIsFetchedByItself(): void
    {
        $call = $this->demoCall('4 Wicket');
        foreach ([['look' => 'ghost'], ['look' => 'warm', 'class' => 'Q'], ['look' => 'warm', 'knowing' => 'hoped'], ['look' => 'warm', 'photo' => 'data:image/png;base64,AAAA'], ['look' => 'warm', 'photo' => 'data:image/png;base64,'.str_repeat('A', 700_001)]] as $at => $payload) {
            self::assertSame('/payload/'.['look', 'class', 'knowing', 'photo', 'photo'][$at], $this->observe($call, 'seen', $payload, 422)['pointer']);
        }
        $picture = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4nGNgYGBgAAAABQABh6FO1AAAAABJRU5ErkJggg==';
        $seen = $this->observe($call, 'seen', ['look' => 'warm', 'class' => 'D', 'photo' => "data:image/png;base64,$picture"]);
        $observations = (array) $seen['observations'];
        $last = (array) end($observations);
        self::assertSame(['words' => 'Warm to the hand with its usual load', 'class' => 'D', 'finding' => 'warm'], $last['verdict']);
        self::assertTrue(self::at($last, 'payload', 'photo'), 'not sent along with the call');
        $this->client->request('GET', "/api/calls/$call/observations/".self::textAt($last['id']).'/photo');
        self::assertSame('image/png', $this->client->getResponse()->headers->get('Content-Type'));
        self::assertSame($picture, base64_encode((string) $this->client->getResponse()->getContent()));
        $this->call('GET', "/api/calls/$call/observations/".self::textAt(self::at($observations, 0, 'id')).'/photo', null, 404);
    }

    public function testEverySymptomNeedsItsVerdictAndPeopleAreWrittenDown(): void
    {
        $call = $this->demoCall('Salter');
        $detail = $this->call('GET', "/api/calls/$call");
        self::assertCount(1, (array) $detail['unsettled']);
        $told = self::textAt(self::at($detail, 'unsettled', 0));
        self::assertSame('/payload/verdict', $this->observe($call, 'settled', ['observation' => $told, 'verdict' => 'blessed', 'text' => 'x'], 422)['pointer']);
        self::assertSame('/payload/observation', $this->observe($call, 'settled', ['observation' => 'x', 'verdict' => 'cured', 'text' => 'x'], 422)['pointer']);
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

    public function testACorrectionStandsBesideTheOriginal(): void
    {
        $call = $this->demoCall('4 Wicket');
        $reading = self::at($this->call('GET', "/api/calls/$call"), 'readings', 2);
        $id = self::textAt(self::at((array) $reading, 'id'));
        self::assertSame('/raw', $this->observe($call, 'corrected', ['observation' => $id, 'raw' => '2 V', 'reason' => 'slip'], 422)['pointer']);
        $after = $this->observe($call, 'corrected', ['observation' => $id, 'raw' => '24.0', 'reason' => 'Decimal point missed.']);

        self::assertSame('24.0', self::at($after, 'readings', 2, 'raw'));
        self::assertSame(self::at((array) $reading, 'raw'), self::at($after, 'readings', 2, 'original'));
        self::assertSame('Decimal point missed.', self::at($after, 'readings', 2, 'corrections', 0, 'reason'));
        $this->observe($call, 'corrected', ['observation' => (new UuidV7())->toRfc4122(), 'raw' => '1', 'reason' => 'x'], 422);
    }

    public function testAReadingTakenInWordsIsPlacedLater(): void
    {
        $call = $this->demoCall('4 Wicket');
        $after = $this->observe($call, 'measured', ['instrument' => 'loop-2-wire', 'near' => 'socket by the stairs', 'raw' => '0.44']);
        $id = self::textAt(self::at($after, 'readings', 4, 'id'));
        self::assertSame(4, $this->call('GET', "/api/calls/$call/ranking")['readings']);
        $this->observe($call, 'placed', ['observation' => $id, 'connection' => ['terminals' => ['rl-hall.front-L', 'ghost.L'], 'around' => []]], 422);
        $placed = $this->observe($call, 'placed', ['observation' => $id, 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]]);
        self::assertTrue(self::at($placed, 'readings', 4, 'placed'));
        self::assertSame(5, $this->call('GET', "/api/calls/$call/ranking")['readings']);
    }

    public function testFromTheCauseToTheProof(): void
    {
        $call = $this->demoCall('Salter');
        $this->observe($call, 'closed', ['text' => 'x'], 409);
        $this->observe($call, 'settled', ['observation' => self::at($this->call('GET', "/api/calls/$call"), 'unsettled', 0), 'verdict' => 'cured', 'text' => 'No tingle any more.']);
        $this->observe($call, 'repaired', ['text' => 'Cpc refitted in the workbench socket.']);
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
        self::assertSame('closed', self::at($this->observe($call, 'closed', ['text' => 'Mr Teague told at the door.']), 'call', 'stage'));
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
        $verdict = self::at($after, 'observations', \count((array) $after['observations']) - 1, 'verdict');
        self::assertSame('P', self::at((array) $verdict, 'class'));
        self::assertCount(5, (array) self::at((array) $verdict, 'ranking'));
        self::assertArrayHasKey('engine', (array) self::at((array) $verdict, 'versions'));
    }

    public function testAnotherFirmsCallAnswersLikeAnUnknownOne(): void
    {
        $ours = $this->demoCall('4 Wicket');
        $entities = self::service(EntityManagerInterface::class);
        $firm = new Firm(new UuidV7(), 'Other Firm');
        $stranger = new User(new UuidV7(), $firm, 'other@firm.example', 'Other');
        $stranger->setPassword('x');
        $entities->persist($firm);
        $entities->persist($stranger);
        $entities->flush();
        $this->client->loginUser($stranger, 'api');

        self::assertSame([], $this->call('GET', '/api/calls'));
        $unknown = $this->call('GET', '/api/calls/'.(new UuidV7())->toRfc4122(), null, 404);
        foreach (['', '/map', '/ranking', '/next-tests', '/contradictions'] as $tail) {
            self::assertSame($unknown, $this->call('GET', "/api/calls/$ours$tail", null, 404));
        }
        self::assertSame($unknown, $this->observe($ours, 'told', ['text' => 'x'], 404));
        self::assertSame($unknown, $this->call('GET', '/api/calls/not-an-id', null, 404));
    }

    public function testTheDatabaseItselfRefusesToChangeEvidence(): void
    {
        $connection = self::service(Connection::class);
        foreach (['UPDATE observation SET kind = \'seen\'', 'DELETE FROM observation', 'UPDATE house_version SET number = number + 1000', 'DELETE FROM house_version'] as $sql) {
            try {
                $connection->executeStatement($sql);
                self::fail("The database took: $sql");
            } catch (DriverException $refusal) {
                self::assertStringContainsString('45000', (string) $refusal->getSQLState());
            }
        }
        self::assertGreaterThan(0, self::service(EntityManagerInterface::class)->getRepository(Observation::class)->count());
    }

    public function testEveryTableButTheSessionsCarriesTheFirm(): void
    {
        $tables = self::service(Connection::class)->fetchFirstColumn('SELECT table_name FROM information_schema.tables t WHERE table_schema = DATABASE() AND NOT EXISTS (SELECT 1 FROM information_schema.columns c WHERE c.table_schema = t.table_schema AND c.table_name = t.table_name AND c.column_name = \'firm_id\') ORDER BY 1');
        self::assertSame(['doctrine_migration_versions', 'firm', 'session'], $tables);
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
