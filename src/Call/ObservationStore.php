<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Entity\Call;
use App\Entity\Observation;
use App\Entity\User;
use App\Observation\Entry;
use App\Observation\Kinds;
use App\Observation\PayloadError;
use App\Record\RecordLines;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\RetryableException;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Stores observations, each once. Nothing is ever changed.
 *
 * The row of the call is locked first: entries of one call, and changes of its house, come one after the other, so that no
 * entry is judged on a journal or a house that is not the one it is stored beside. Before it is committed the call is folded
 * with it and its line of the record is made: what cannot be shown is not stored.
 */
final readonly class ObservationStore
{
    /** A deadlock, a lock that took too long, an id stored meanwhile: tried again so often before it is given up. */
    private const TRIES = 6;

    public function __construct(private EntityManagerInterface $entities, private Connection $connection, private CallStore $calls, private Verdicts $verdicts, private RecordLines $lines, private ClockInterface $clock)
    {
    }

    /**
     * @param array<array-key, mixed>  $raw    the payload as sent
     * @param \DateTimeImmutable|null $stored when the server had it, of what is told after the event; now when left out
     *
     * @return Journal with what was stored
     *
     * @throws Problem when it cannot be stored; nothing is half-written
     */
    public function store(User $user, Call $call, Uuid $id, string $kind, \DateTimeImmutable $at, array $raw, Origin $origin = new Origin(), ?\DateTimeImmutable $stored = null): Journal
    {
        for ($try = 1;; ++$try) {
            try {
                return $this->connection->transactional(fn (): Journal => $this->stored($user, $call, $id, $kind, $at, $raw, $origin, $stored ?? $this->clock->now()));
            } catch (RetryableException|UniqueConstraintViolationException $e) {
                if ($try >= self::TRIES) {
                    throw new Problem(503, 'Not at this moment', 'Many entries come to this call at once. Send the same request again; it is stored once.', '', $e);
                }
                usleep(random_int(5_000, 40_000) * $try);
            }
        }
    }

    /** @param array<array-key, mixed> $raw */
    private function stored(User $user, Call $call, Uuid $id, string $kind, \DateTimeImmutable $at, array $raw, Origin $origin, \DateTimeImmutable $stored): Journal
    {
        $this->calls->lock($call);
        $journal = $this->calls->journal($call);
        $known = $this->entities->find(Observation::class, $id);
        if (null !== $known) {
            if (!$known->call->id->equals($call->id) || $known->kind !== $kind || $known->payload != $raw) {
                throw Problem::conflict('This id already stands for another entry. Make a new id; the one stored stays as it is.', '/id');
            }

            return $journal;
        }
        try {
            $payload = Kinds::read($kind, $raw);
        } catch (PayloadError $e) {
            throw Problem::invalid('/kind' === $e->pointer && !\in_array($kind, Kinds::slugs(), true) ? '/kind' : '/payload'.$e->pointer, $e->getMessage());
        }
        if (null !== $origin->seen && $origin->seen > $journal->position()) {
            throw Problem::invalid('/seen', 'This call has no such position yet.');
        }
        $verdict = $this->verdicts->of($payload, $journal, $origin);
        /** @var array<string, mixed> $raw */
        $observation = new Observation($id, $user->firm, $call, $journal->position() + 1, $kind, $raw, ReadingVerdict::stateOf($journal, $origin)->toArray(), $call->house?->version, $verdict, $user, $at, $stored, $origin->seen, $origin->device);
        $entry = Entry::new($observation, $payload);
        $after = $journal->with($entry);
        $after->state();
        $this->lines->of($after, $entry);
        $this->insert($observation);

        return $after;
    }

    private function insert(Observation $observation): void
    {
        $this->connection->insert('observation', [
            'id' => $observation->id,
            'firm_id' => $observation->firm->id,
            'call_id' => $observation->call->id,
            'author_id' => $observation->author->id,
            'position' => $observation->position,
            'kind' => $observation->kind,
            'payload' => $observation->payload,
            'state' => $observation->state,
            'house_version' => $observation->houseVersion,
            'verdict' => $observation->verdict,
            'client_at' => $observation->clientAt,
            'stored_at' => $observation->storedAt,
            'seen' => $observation->seen,
            'device' => $observation->device,
        ], [
            'id' => 'uuid', 'firm_id' => 'uuid', 'call_id' => 'uuid', 'author_id' => 'uuid', 'device' => 'uuid',
            'payload' => Types::JSON, 'state' => Types::JSON, 'verdict' => Types::JSON,
            'client_at' => Types::DATETIME_IMMUTABLE, 'stored_at' => Types::DATETIME_IMMUTABLE,
        ]);
    }
}
