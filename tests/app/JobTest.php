<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\CallStore;
use App\Call\Diagnosis;
use App\Call\Ranked;
use App\Call\Rankings;
use App\Entity\Call;
use App\Job\Job;
use App\Job\Jobs;
use App\Job\NextTests;
use App\Job\NotYet;
use App\Job\Progress;
use App\Job\Pulse;
use App\Job\Ranking;
use App\Job\Superseded;
use App\Job\Worker;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Transport\InMemory\InMemoryTransport;
use YellowProbe\Procedure\Practice;

/** Who works what out: at once what is kept, else a worker; once for a call and state, and not for one that has moved on. */
final class JobTest extends ApiTestCase
{
    public function testWhatIsNotKeptIsWorkedOutOnceByAWorkerAndThenAnsweredAtOnce(): void
    {
        $this->empty();
        [$ranked, $call] = [$this->ranked(), $this->row()];
        for ($asked = 0; $asked < 3; ++$asked) {
            self::assertSame('ranking', $this->notYet(fn () => $ranked->view($call, $this->journal()))->what);
        }
        self::assertCount(1, $this->sent('ranking'), 'asked three times it is one job');
        self::assertEquals(Progress::of(false, 0, 0, 0), self::service(Jobs::class)->progress($call, 'ranking'));
        $job = $this->sent('ranking')[0];
        self::assertInstanceOf(Ranking::class, $job);
        self::service(Worker::class)->ranking($job);
        self::assertNull(self::service(Jobs::class)->progress($call, 'ranking'));
        self::assertNotSame([], $ranked->view($call, $this->journal())->suspects);
        self::assertCount(1, $this->sent('ranking'));

        $next = $this->notYet(fn () => $ranked->next($call, $this->journal(), $this->journal()->house ?? self::fail(), Practice::any()));
        self::assertStringStartsWith('next-', $next->what);
        $job = $this->sent('next')[0];
        self::assertInstanceOf(NextTests::class, $job);
        self::service(Worker::class)->nextTests($job);
        self::assertNotSame([], $ranked->next($call, $this->journal(), $this->journal()->house ?? self::fail(), Practice::any())[2]);
    }

    public function testWhatTheCallHasLeftBehindIsDropped(): void
    {
        $this->empty();
        [$ranked, $call] = [$this->ranked(), $this->row()];
        $this->notYet(fn () => $ranked->view($call, $this->journal()));
        $this->observe($call->id->toRfc4122(), 'told', ['text' => 'It hums.']);
        $this->notYet(fn () => $ranked->view($call, $this->journal()));
        [$old, $new] = $this->sent('ranking');
        \assert($old instanceof Ranking && $new instanceof Ranking);
        self::assertNotSame($old->state(), $new->state());
        $missing = \count(self::service(Rankings::class)->missing($this->journal()));
        self::service(Worker::class)->ranking($old);
        self::assertCount($missing, self::service(Rankings::class)->missing($this->journal()), 'nothing was worked out for it');
        self::service(Worker::class)->ranking($new);
        self::assertSame([], self::service(Rankings::class)->missing($this->journal()));
    }

    public function testAWorkerStopsInTheMiddleWhenTheCallMovesOnAndTellsHowFarItIs(): void
    {
        $jobs = self::service(Jobs::class);
        $call = $this->row();
        $job = new Ranking($call->id->toRfc4122(), 'one');
        $jobs->ask($call, $job);
        self::assertTrue($jobs->take($job));
        self::assertFalse($jobs->take($job), 'nobody else takes it');
        $jobs->beat($job, 2, 5);
        self::assertEquals(Progress::of(true, 2, 5, 0), $jobs->progress($call, 'ranking'));
        $jobs->ask($call, new Ranking($call->id->toRfc4122(), 'two'));
        self::assertEquals(Progress::of(false, 0, 0, 0), $jobs->progress($call, 'ranking'));
        $this->expectException(Superseded::class);
        $jobs->beat($job, 3, 5);
    }

    public function testTheJobOfADeadWorkerIsTakenAgainAndAFailureIsSaid(): void
    {
        $jobs = self::service(Jobs::class);
        $call = $this->row();
        $job = new Ranking($call->id->toRfc4122(), 'one');
        $jobs->ask($call, $job);
        $jobs->take($job);
        $jobs->ask($call, $job);
        self::assertCount(1, $this->sent('ranking'));
        self::service(Connection::class)->executeStatement('UPDATE job SET beat_at = NOW(6) - INTERVAL 16 SECOND');
        self::assertNull($jobs->progress($call, 'ranking'), 'whoever waits asks again');
        $jobs->ask($call, $job);
        self::assertCount(2, $this->sent('ranking'));
        self::assertTrue($jobs->take($job));
        $jobs->fail($job);
        self::assertNull($jobs->progress($call, 'ranking'));
        $this->expectExceptionMessage('could not be worked out');
        $jobs->ask($call, $job);
    }

    public function testThoseWhoWaitSeeWhoComesFirst(): void
    {
        $jobs = self::service(Jobs::class);
        foreach (['Salter', '19 Sallow', '4 Wicket'] as $before => $address) {
            $call = $this->row($address);
            $jobs->ask($call, new Ranking($call->id->toRfc4122(), 'one'));
            self::assertEquals(Progress::of(false, 0, 0, $before), $jobs->progress($call, 'ranking'));
        }
    }

    public function testOfTheNextTestsThoseAskedForLastComeFirstAndEveryFourthTheOneThatWaitsLongest(): void
    {
        $jobs = self::service(Jobs::class);
        $asked = [];
        foreach (['Salter', '19 Sallow', '4 Wicket'] as $address) {
            $call = $this->row($address);
            $jobs->ask($call, $asked[] = new NextTests($call->id->toRfc4122(), 'one', Practice::any()));
            usleep(2000);
        }
        foreach ([1 => 2, 2 => 2, 3 => 2, 4 => 0, 8 => 0] as $turn => $which) {
            self::assertEquals($asked[$which], $jobs->next($asked[1], $turn));
        }
        self::assertNull($jobs->next(new Ranking($asked[0]->callId(), 'one'), 1));
    }

    public function testWhoWaitsBehindOthersLooksAsSeldomAsTheyTake(): void
    {
        self::assertSame(100, Progress::of(true, 1, 4, 0)->againMilliseconds);
        self::assertSame(100, Progress::of(false, 0, 0, 0)->againMilliseconds);
        self::assertSame(2100, Progress::of(false, 0, 0, 3)->againMilliseconds);
        self::assertSame(5000, Progress::of(false, 0, 0, 30)->againMilliseconds, 'whoever is overtaken has to learn of it');
    }

    public function testThePageIsToldShortlyAndOnlyWhatIsNew(): void
    {
        $call = $this->row();
        self::service(Jobs::class)->ask($call, new Ranking($call->id->toRfc4122(), 'one'));
        $path = '/api/calls/'.$call->id->toRfc4122().'/jobs/ranking';
        self::assertSame(['isRunning' => false, 'done' => 0, 'total' => 0, 'ahead' => 0, 'againMilliseconds' => 100], $this->call('GET', $path)['progress']);
        $etag = (string) $this->client->getResponse()->headers->get('ETag');
        $this->client->request('GET', $path, server: ['HTTP_IF_NONE_MATCH' => $etag]);
        self::assertSame([304, ''], [$this->client->getResponse()->getStatusCode(), $this->client->getResponse()->getContent()]);
        self::service(Connection::class)->executeStatement('DELETE FROM job');
        self::assertNull($this->call('GET', $path)['progress']);
    }

    public function testAPulseIsFeltOnlyDuringItsWork(): void
    {
        $felt = 0;
        $pulse = new Pulse();
        $pulse->beat();
        $pulse->during(static function () use (&$felt): void {
            ++$felt;
        }, static function () use ($pulse): void {
            $pulse->beat();
            $pulse->beat();
        });
        $pulse->beat();
        self::assertSame(2, $felt);
    }

    private function ranked(): Ranked
    {
        return new Ranked(self::service(Rankings::class), self::service(Diagnosis::class), self::service(Jobs::class), false);
    }

    private function empty(): void
    {
        $pool = self::getContainer()->get('cache.predictions');
        self::assertInstanceOf(CacheItemPoolInterface::class, $pool);
        $pool->clear();
    }

    private function row(string $address = '4 Wicket'): Call
    {
        return self::service(EntityManagerInterface::class)->getRepository(Call::class)->find($this->demoCall($address)) ?? self::fail();
    }

    private function journal(): \App\Call\Journal
    {
        return self::service(CallStore::class)->journal($this->row());
    }

    /** @param \Closure(): mixed $ask */
    private function notYet(\Closure $ask): NotYet
    {
        try {
            $ask();
        } catch (NotYet $e) {
            return $e;
        }
        self::fail('It was answered at once.');
    }

    /** @return list<Job> */
    private function sent(string $queue): array
    {
        $transport = self::getContainer()->get("messenger.transport.$queue");
        self::assertInstanceOf(InMemoryTransport::class, $transport);

        return array_values(array_filter(array_map(static fn (Envelope $envelope): object => $envelope->getMessage(), $transport->getSent()), static fn (object $message): bool => $message instanceof Job));
    }
}
