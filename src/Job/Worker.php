<?php

declare(strict_types=1);

namespace App\Job;

use App\Api\Problem;
use App\Call\CallStore;
use App\Call\Diagnosis;
use App\Call\Journal;
use App\Call\Ranked;
use App\Call\Rankings;
use App\Entity\Call;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Event\WorkerRunningEvent;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Diagnosis\Forcing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\Trying;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

/** Takes up what is asked for, keeps what comes out, and drops what nobody waits for any more. */
final class Worker
{
    /** How often it tells that it is there, at most. */
    private const SECONDS = 1.0;

    private float $told = 0.0;
    private int $turn = 0;

    public function __construct(
        private readonly Jobs $jobs,
        private readonly Pulse $pulse,
        private readonly CallStore $calls,
        private readonly Rankings $rankings,
        private readonly Diagnosis $diagnosis,
        private readonly EntityManagerInterface $entities,
        private readonly LoggerInterface $logger,
        #[Autowire(env: 'YP_WORKER')]
        private readonly string $name,
    ) {
    }

    #[AsMessageHandler]
    public function ranking(Ranking $job): void
    {
        $this->work($job, function (Journal $journal, House $house) use ($job): void {
            $missing = $this->rankings->missing($journal);
            foreach ($missing as $done => $piece) {
                $this->jobs->beat($job, $done, \count($missing));
                $piece->table();
            }
            $this->jobs->beat($job, \count($missing), \count($missing));
            $this->rankings->view($journal);
        });
    }

    #[AsMessageHandler]
    public function nextTests(NextTests $heard): void
    {
        $job = $this->jobs->next($heard, ++$this->turn);
        if (!$job instanceof NextTests) {
            return;
        }
        $this->work($job, function (Journal $journal, House $house) use ($job): void {
            $ranking = $this->rankings->rank($journal);
            $candidates = $this->diagnosis->nextTests($house, $ranking, $journal->state(), $journal->opened(), $job->practice);
            $stop = Stop::advised($ranking, $candidates, Trying::of($house, $ranking));
            if (Forcing::isAsked($stop->advice)) {
                $this->diagnosis->forcings($house, $ranking, $journal->state(), $journal->opened(), $job->practice);
            }
        });
    }

    #[AsMessageHandler]
    public function prepare(Preparation $job): void
    {
        $this->work($job, function (Journal $journal, House $house) use ($job): void {
            $instrument = Instruments::get($job->instrument);
            $this->rankings->prepare($journal, new Measurement($journal->state(), $instrument, Connection::read($job->connection, $instrument, $house, '/connection')));
        });
    }

    #[AsEventListener]
    public function isHere(WorkerRunningEvent $event): void
    {
        $this->tell();
    }

    /** @param \Closure(Journal, House): void $work */
    private function work(Job $job, \Closure $work): void
    {
        if (!$this->jobs->take($job)) {
            return;
        }
        $call = $this->entities->find(Call::class, Uuid::fromString($job->callId()));
        $journal = null === $call ? null : $this->calls->journal($call);
        if (null === $call || null === $journal?->house || !$this->isStill($job, $call, $journal)) {
            $this->jobs->finish($job);

            return;
        }
        $house = $journal->house;
        $felt = microtime(true);
        try {
            $this->pulse->during(function () use ($job, &$felt): void {
                // Felt by each piece of a second's length; asked of the database more seldom.
                if (microtime(true) - $felt > 0.25) {
                    $felt = microtime(true);
                    $this->jobs->touch($job);
                    $this->tell();
                }
            }, static fn () => $work($journal, $house));
            $this->jobs->finish($job);
        } catch (Superseded) {
            return;
        } catch (HouseError|Problem $e) {
            $this->jobs->fail($job, $e->getMessage());
        } catch (\Throwable $e) {
            $this->jobs->fail($job);
            $this->logger->error('A job failed', ['exception' => $e, 'call' => $job->callId(), 'what' => $job->what()]);
        }
    }

    private function isStill(Job $job, Call $call, Journal $journal): bool
    {
        return $job instanceof Preparation || $job->state() === Ranked::state($call, $journal);
    }

    private function tell(): void
    {
        $now = microtime(true);
        if ('' !== $this->name && $now - $this->told > self::SECONDS) {
            $this->told = $now;
            $this->jobs->isHere($this->name);
        }
    }
}
