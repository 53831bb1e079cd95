<?php

declare(strict_types=1);

namespace App\Job;

use App\Api\Problem;
use App\Entity\Call;
use Doctrine\DBAL\Connection;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Procedure\Kit;
use YellowProbe\Procedure\Practice;

/**
 * What is being worked out for calls. A row stands for what is wanted now; a message in a queue only says that somebody should
 * look. A message whose row says otherwise is of no more use.
 */
final readonly class Jobs
{
    private const QUEUED = 'queued';
    private const RUNNING = 'running';
    private const FAILED = 'failed';

    /** A worker that was not heard of for so long is dead, and its job waits again. */
    private const DEAD_SECONDS = 15;

    /** A job that failed is not tried again before. */
    private const FAILED_SECONDS = 60;

    public function __construct(private Connection $connection, private MessageBusInterface $bus)
    {
    }

    /**
     * Has it worked out, unless it is under way.
     *
     * @throws Problem when it failed a moment ago
     */
    public function ask(Call $call, Job $job): void
    {
        $id = Uuid::fromString($job->callId());
        // The row is new (1), or another state is wanted or its worker is dead (2), or it is under way (0).
        $changed = $this->connection->executeStatement(
            'INSERT INTO job (call_id, what, firm_id, state, body, status, done, total, asked_at, beat_at) VALUES (?, ?, ?, ?, ?, \'queued\', 0, 0, NOW(6), NOW(6))
             ON DUPLICATE KEY UPDATE
                status = IF(state <> VALUES(state) OR (status = \'running\' AND beat_at < NOW(6) - INTERVAL ? SECOND) OR (status = \'failed\' AND beat_at < NOW(6) - INTERVAL ? SECOND), \'queued\', status),
                asked_at = IF(state <> VALUES(state), VALUES(asked_at), asked_at),
                beat_at = IF(state <> VALUES(state) OR status = \'queued\' AND beat_at < NOW(6) - INTERVAL ? SECOND, VALUES(beat_at), beat_at),
                reason = IF(status = \'failed\', reason, NULL), done = IF(state <> VALUES(state), 0, done), total = IF(state <> VALUES(state), 0, total),
                state = VALUES(state), body = VALUES(body)',
            [$id, $job->what(), $call->firm->id, $job->state(), serialize($job), self::DEAD_SECONDS, self::FAILED_SECONDS, 4 * self::DEAD_SECONDS],
            ['uuid', 'string', 'uuid'],
        );
        if (0 !== $changed) {
            $this->bus->dispatch($job);

            return;
        }
        /** @var array{status: string, reason: string|null}|false $row */
        $row = $this->connection->fetchAssociative('SELECT status, reason FROM job WHERE call_id = ? AND what = ?', [$id, $job->what()], ['uuid']);
        if (false !== $row && self::FAILED === $row['status']) {
            throw null === $row['reason'] ? new Problem(500, 'This failed here', 'What follows from the readings could not be worked out; what you stored is safe. Go on measuring, and tell whoever runs this.') : Problem::conflict($row['reason']);
        }
    }

    /**
     * The job that a worker does next, of those that wait like one that it heard of. Where more comes than can be done, those
     * asked for last are done and those before them are overtaken by their own calls: an answer in time for most is worth more
     * than a late one for all. Every fourth is the one that waits longest, so that nobody is forgotten who only waits.
     *
     * @param int $turn counted by the worker
     *
     * @return Job|null null when nothing waits any more
     */
    public function next(Job $heard, int $turn): ?Job
    {
        $like = $heard instanceof NextTests ? NextTests::WHAT.'%' : $heard->what();
        $order = 0 === $turn % 4 || !$heard instanceof NextTests ? 'ASC' : 'DESC';
        $body = $this->connection->fetchOne("SELECT body FROM job WHERE status = 'queued' AND what LIKE ? ORDER BY asked_at $order LIMIT 1", [$like]);
        $job = \is_string($body) ? unserialize($body, ['allowed_classes' => [Ranking::class, NextTests::class, Preparation::class, Practice::class, Kit::class]]) : null;

        return $job instanceof Job ? $job : null;
    }

    /** Whether a worker may take it: the row still asks for just this. */
    public function take(Job $job): bool
    {
        return 0 !== $this->connection->executeStatement("UPDATE job SET status = 'running', beat_at = NOW(6) WHERE call_id = ? AND what = ? AND state = ? AND status = 'queued'", [Uuid::fromString($job->callId()), $job->what(), $job->state()], ['uuid']);
    }

    /**
     * Tells that its worker lives and how far it is.
     *
     * @throws Superseded when the call has moved on
     */
    public function beat(Job $job, int $done, int $total): void
    {
        $this->kept($this->connection->executeStatement("UPDATE job SET beat_at = NOW(6), done = ?, total = ? WHERE call_id = ? AND what = ? AND state = ? AND status = 'running'", [$done, $total, Uuid::fromString($job->callId()), $job->what(), $job->state()], ['integer', 'integer', 'uuid']));
    }

    /**
     * Tells that its worker lives.
     *
     * @throws Superseded when the call has moved on
     */
    public function touch(Job $job): void
    {
        $this->kept($this->connection->executeStatement("UPDATE job SET beat_at = NOW(6) WHERE call_id = ? AND what = ? AND state = ? AND status = 'running'", [Uuid::fromString($job->callId()), $job->what(), $job->state()], ['uuid']));
    }

    private function kept(int|string $changed): void
    {
        if (0 === $changed) {
            throw new Superseded();
        }
    }

    public function finish(Job $job): void
    {
        $this->connection->executeStatement('DELETE FROM job WHERE call_id = ? AND what = ? AND state = ?', [Uuid::fromString($job->callId()), $job->what(), $job->state()], ['uuid']);
    }

    /** @param string|null $reason why it cannot be worked out, where that is no fault of this program */
    public function fail(Job $job, ?string $reason = null): void
    {
        $this->connection->executeStatement("UPDATE job SET status = 'failed', reason = ?, beat_at = NOW(6) WHERE call_id = ? AND what = ? AND state = ?", [null === $reason ? null : mb_substr($reason, 0, 500), Uuid::fromString($job->callId()), $job->what(), $job->state()], ['string', 'uuid']);
    }

    /** How far it is; null when nothing is under way any more. */
    public function progress(Call $call, string $what): ?Progress
    {
        /** @var array{status: string, done: int|string, total: int|string, asked_at: string, quiet: int|string}|false $row */
        $row = $this->connection->fetchAssociative('SELECT status, done, total, asked_at, TIMESTAMPDIFF(SECOND, beat_at, NOW(6)) quiet FROM job WHERE call_id = ? AND what = ?', [$call->id, $what], ['uuid']);
        if (false === $row || self::FAILED === $row['status'] || (self::RUNNING === $row['status'] && (int) $row['quiet'] > self::DEAD_SECONDS)) {
            return null;
        }
        $ahead = self::QUEUED !== $row['status'] ? 0 : $this->connection->fetchOne("SELECT COUNT(*) FROM job WHERE status = 'queued' AND asked_at < ? AND what LIKE ?", [$row['asked_at'], str_starts_with($what, NextTests::WHAT) ? NextTests::WHAT.'%' : Ranking::WHAT]);

        return Progress::of(self::RUNNING === $row['status'], (int) $row['done'], (int) $row['total'], is_numeric($ahead) ? (int) $ahead : 0);
    }

    /** A worker is there. */
    public function isHere(string $worker): void
    {
        $this->connection->executeStatement('INSERT INTO worker (name, seen_at) VALUES (?, NOW(6)) ON DUPLICATE KEY UPDATE seen_at = NOW(6)', [$worker]);
    }

    /** @return int workers that were heard of within so many seconds */
    public function workers(int $seconds): int
    {
        $count = $this->connection->fetchOne('SELECT COUNT(*) FROM worker WHERE seen_at > NOW(6) - INTERVAL ? SECOND', [$seconds]);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return int rows that nobody will ask for again */
    public function forget(): int
    {
        return (int) $this->connection->executeStatement('DELETE FROM job WHERE beat_at < NOW(6) - INTERVAL 1 DAY') + (int) $this->connection->executeStatement('DELETE FROM worker WHERE seen_at < NOW(6) - INTERVAL 1 DAY');
    }
}
