<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Database\Attempts;
use App\Entity\Call;
use App\Entity\Observation;
use App\Entity\User;
use App\Observation\Entry;
use App\Observation\Kinds;
use App\Observation\PayloadError;
use App\Observation\Seen;
use App\Photo\PhotoStore;
use App\Record\RecordLines;
use Doctrine\DBAL\Connection;
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
    public function __construct(private EntityManagerInterface $entities, private Connection $connection, private Attempts $attempts, private CallStore $calls, private Verdicts $verdicts, private Companions $companions, private RecordLines $lines, private Summaries $summaries, private PhotoStore $photos, private ClockInterface $clock)
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
        if (Seen::kind() === $kind) {
            // A picture goes to its own store before anything is held.
            $raw = $this->photos->taken($raw);
        }

        return $this->attempts->of(fn (): Journal => $this->stored($user, $call, $id, $kind, $at, $raw, $origin, $stored ?? $this->clock->now()));
    }

    /** @param array<array-key, mixed> $raw */
    private function stored(User $user, Call $call, Uuid $id, string $kind, \DateTimeImmutable $at, array $raw, Origin $origin, \DateTimeImmutable $stored): Journal
    {
        $this->calls->lock($call);
        $journal = $this->calls->journal($call);
        $known = $this->entities->find(Observation::class, $id);
        if (null !== $known) {
            if (!$known->call->id->equals($call->id) || $known->kind !== $kind || !self::isSame($known->payload, $raw)) {
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
        Companions::admit($user, $payload, $journal);
        if ($payload instanceof Seen && null !== $payload->photo) {
            $this->photos->admit($call);
        }
        $verdict = $this->verdicts->of($payload, $journal, $origin);
        $verdict += $this->companions->check($user, $payload, $journal);
        /** @var array<string, mixed> $raw */
        $observation = new Observation($id, $user->firm, $call, $journal->position() + 1, $kind, $raw, ReadingVerdict::stateOf($journal, $origin)->toArray(), $call->house?->version, $verdict, $user, $at, $stored, $origin->seen, $origin->device);
        $entry = Entry::new($observation, $payload);
        $after = $journal->with($entry);
        $after->state();
        $this->lines->of($after, $entry);
        $this->insert($observation);
        $this->summaries->write($call, $after);

        return $after;
    }

    /**
     * Whether it is the same request again; a picture is the same when what was sent is.
     *
     * @param array<array-key, mixed> $known
     * @param array<array-key, mixed> $raw
     */
    private static function isSame(array $known, array $raw): bool
    {
        foreach ([&$known, &$raw] as &$payload) {
            if (\is_array($payload['photo'] ?? null)) {
                $payload['photo'] = $payload['photo']['sent'] ?? null;
            }
        }

        return $known == $raw;
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
