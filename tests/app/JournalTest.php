<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\Journal;
use App\Call\Lapse;
use App\Call\Proof;
use App\Call\TakenReading;
use App\Entity\Call;
use App\Entity\Firm;
use App\Entity\Observation;
use App\Entity\User;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseDraft;
use YellowProbe\Installation\State;

/** What observations add up to, without a database. */
final class JournalTest extends TestCase
{
    /** @var list<Observation> */
    private array $observations = [];

    public function testTheStateIsTheFoldOfWhatWasDone(): void
    {
        $journal = $this->journal();
        self::assertSame(State::resting($this->house())->hash(), $journal->state()->hash());
        $this->done(['set', 'way1', 'off'], ['lift', 'one-r1/N@1', '']);
        $this->done(['set', 'way1', 'on']);
        $state = $this->journal()->state();
        self::assertSame(['one-r1/N@1'], array_keys($state->lifted));
        self::assertSame('on', $state->position('way1', 'on'));
    }

    public function testIsolatingOpensTheMainUnlessThatStepWasLeftOut(): void
    {
        $this->step('warn', 'sources', 'reference', 'loads');
        $this->add('isolation', ['step' => 'off', 'skipped' => 'It is open already.']);
        self::assertSame('on', $this->journal()->state()->position('main', 'on'));
        $this->step('off');
        self::assertSame('off', $this->journal()->state()->position('main', 'on'));
    }

    public function testAProofWantsTheIndicatorProvedBeforeAndAfterAndALiveReference(): void
    {
        $this->step('warn', 'sources', 'reference', 'loads', 'off', 'lock', 'tester-before');
        $this->dead('p-s');
        self::assertSame([false], $this->complete(), 'the indicator is not proved again yet');
        $this->step('tester-after');
        self::assertSame([true], $this->complete());
        // At another point: it stands on its own, and the first goes on standing.
        $this->step('tester-before');
        $this->dead('p-t');
        $this->step('tester-after');
        self::assertSame([true, true], $this->complete());
        $this->done(['link', 'way1.out', 'met.t2']);
        self::assertSame([true, true], array_map(static fn (Proof $proof): bool => $proof->stands(), $this->journal()->isolations()->proofs()), 'a link behind an open main makes nothing live');
        $this->done(['set', 'main', 'on']);
        self::assertSame([Lapse::Energised, Lapse::Energised], array_map(static fn (Proof $proof): ?Lapse => $proof->lapse, $this->journal()->isolations()->proofs()));
    }

    public function testSwitchingBetweenTheTestAndTheSecondProofOfTheIndicatorSpoilsIt(): void
    {
        $this->step('warn', 'sources', 'reference', 'loads', 'off', 'lock', 'tester-before');
        $this->dead('p-s');
        $this->done(['set', 'way1', 'off']);
        $this->step('tester-after');
        self::assertSame([false], $this->complete());
    }

    public function testANewRoundOfIsolationNeedsItsOwnReference(): void
    {
        $this->step('warn', 'sources', 'reference', 'loads', 'off', 'lock', 'tester-before');
        $this->done(['set', 'main', 'on']);
        self::assertSame([], $this->journal()->isolations()->steps());
        $this->step('warn', 'sources');
        $this->add('isolation', ['step' => 'reference', 'skipped' => 'No time.']);
        $this->step('loads', 'off', 'lock', 'tester-before');
        $this->dead('p-s');
        $this->step('tester-after');
        self::assertSame([false], $this->complete());
        self::assertSame('proof.incomplete', $this->journal()->isolations()->proofs()[0]->words()->key);
    }

    public function testACircuitIsolatedByItselfOpensItsOwnDeviceAndItsReturnEndsTheRound(): void
    {
        $this->step('warn', 'sources', 'reference', 'loads');
        $this->add('isolation', ['step' => 'off', 'level' => 'circuit', 'place' => 'p-s']);
        self::assertSame('off', $this->journal()->state()->position('way1', 'on'));
        self::assertSame('on', $this->journal()->state()->position('main', 'on'));
        $this->step('lock', 'tester-before');
        $this->add('isolation', ['step' => 'dead', 'place' => 'p-s', 'opened' => true]);
        $this->step('tester-after');
        self::assertSame('proof.terminals', $this->journal()->isolations()->proofs()[0]->words()->key);
        $this->done(['set', 'way1', 'on']);
        self::assertSame([], $this->journal()->isolations()->steps());
        self::assertSame(Lapse::Energised, $this->journal()->isolations()->proofs()[0]->lapse);
    }

    public function testReadingsAsTheyStand(): void
    {
        $first = $this->add('measured', ['instrument' => 'loop-2-wire', 'raw' => '0.42', 'connection' => ['terminals' => ['s.front-L', 's.front-E'], 'around' => []]], ['fit' => 'off']);
        $loose = $this->add('measured', ['instrument' => 'loop-2-wire', 'near' => 'in the loft', 'raw' => '0.5']);
        $this->add('corrected', ['observation' => $first->id->toRfc4122(), 'raw' => '4.2', 'reason' => 'point']);
        $this->add('corrected', ['observation' => $first->id->toRfc4122(), 'raw' => '0.24', 'reason' => 'turned round']);
        $this->add('repaired', ['text' => 'x']);
        $after = $this->measured('0.40', ['s.front-L', 's.front-E']);
        $this->add('withdrawn', ['observation' => $after->id->toRfc4122(), 'reason' => 'paint']);
        [$one, $two, $three] = $this->journal()->readings();

        self::assertSame('0.24', $one->raw);
        self::assertCount(2, $one->corrections);
        self::assertSame([null, true], [$one->judged->fit, $one->judged->failed], 'a correction of an earlier version was judged by nobody, and no failure is lost');
        self::assertFalse($one->proof);
        self::assertNull($two->connection);
        self::assertTrue($three->proof);
        self::assertSame('paint', $three->withdrawn);
        $this->add('placed', ['observation' => $loose->id->toRfc4122(), 'connection' => ['terminals' => ['t.front-L', 't.front-E'], 'around' => []]]);
        self::assertSame(['t.front-L', 't.front-E'], array_map(static fn (TakenReading $reading): ?array => $reading->connection?->terminals, $this->journal()->readings())[1]);
    }

    public function testTheStageFollowsTheWork(): void
    {
        self::assertSame('hear', $this->journal()->stage());
        $this->add('told', ['text' => 'x', 'symptom' => 'tingle', 'context' => 'rain']);
        $this->add('told', ['text' => 'y', 'symptom' => 'flicker']);
        self::assertSame('hear', $this->journal()->stage());
        self::assertSame(['flicker', 'tingle'], $this->journal()->story()->symptoms);
        self::assertSame(['rain'], $this->journal()->story()->contexts);
        $this->step('warn');
        self::assertSame('make-safe', $this->journal()->stage());
        $this->measured('0.42', ['s.front-L', 's.front-E']);
        self::assertSame('trace', $this->journal()->stage());
        $this->add('accepted', ['hypothesis' => 'x', 'knowing' => 'seen']);
        self::assertSame('put-right', $this->journal()->stage());
        $this->add('repaired', ['text' => 'x']);
        self::assertFalse($this->journal()->isRepairProved());
        $this->add('measured', ['instrument' => 'loop-2-wire', 'raw' => '0.4', 'connection' => ['terminals' => ['s.front-L', 's.front-E'], 'around' => []]], ['proves' => true]);
        self::assertSame('hand-over', $this->journal()->stage());
        $this->add('repaired', ['text' => 'once more']);
        self::assertSame('put-right', $this->journal()->stage(), 'a later repair is not proved by an earlier reading');
        $this->add('closed', ['text' => 'x']);
        self::assertSame('closed', $this->journal()->stage());
    }

    public function testTheCoverIsOffAfterAReadingInsideTheBoard(): void
    {
        $this->measured('0.42', ['s.front-L', 's.front-E']);
        self::assertSame([], $this->journal()->opened()->places());
        $this->add('measured', ['instrument' => 'leakage-clamp', 'raw' => '1', 'connection' => ['terminals' => [], 'around' => ['+one-r1/L', '+one-r1/N']]]);
        self::assertNotSame([], $this->journal()->opened()->places());
        $this->measured('0.42', ['s.front-L', 's.front-E']);
        self::assertSame([], $this->journal()->opened()->places());
    }

    /** @return list<bool> */
    private function complete(): array
    {
        return array_map(static fn (Proof $proof): bool => $proof->complete, $this->journal()->isolations()->proofs());
    }

    private function journal(): Journal
    {
        return new Journal($this->observations, $this->house());
    }

    private function house(): House
    {
        return (new HouseDraft('Hut', ['system' => 'TN-S'], 2))->direct()->way('one', 'One', 'radial', 16)->sockets('one', [['s', 'S', 'Room', 5.0], ['t', 'T', 'Room', 5.0]])->house();
    }

    private function step(string ...$steps): void
    {
        foreach ($steps as $step) {
            $this->add('isolation', ['step' => $step]);
        }
    }

    private function dead(string $place): void
    {
        $this->add('isolation', ['step' => 'dead', 'place' => $place]);
    }

    /** @param list<string> $terminals */
    private function measured(string $raw, array $terminals): Observation
    {
        return $this->add('measured', ['instrument' => 'loop-2-wire', 'raw' => $raw, 'connection' => ['terminals' => $terminals, 'around' => []]]);
    }

    /** @param array{string, string, string} ...$changes */
    private function done(array ...$changes): void
    {
        $this->add('done', ['changes' => array_map(static fn (array $change): array => ['operation' => $change[0], 'subject' => $change[1], 'value' => $change[2]], array_values($changes))]);
    }

    /**
     * @param array<string, mixed> $payload
     * @param array<string, mixed> $verdict
     */
    private function add(string $kind, array $payload, array $verdict = []): Observation
    {
        $firm = new Firm(new UuidV7(), 'Firm');
        $user = new User(new UuidV7(), $firm, 'a@b.example', 'A');
        $at = new \DateTimeImmutable('2026-01-05 10:00:00');
        $call = new Call(new UuidV7(), $firm, null, 'Hut', 'B', 'C', 'fault', $at);

        return $this->observations[] = new Observation(new UuidV7(), $firm, $call, \count($this->observations) + 1, $kind, $payload, [], 1, $verdict, $user, $at, $at);
    }
}
