<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\CallPage;
use App\Api\View\CallSummary;
use App\Api\View\EarlierVisitView;
use App\Entity\Call;
use App\Entity\Firm;
use App\Observation\Accepted;
use App\Observation\Entry;
use App\Words\Say;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\Uid\Uuid;
use YellowProbe\Words\Message;

/**
 * What a list shows of a call, kept beside it: written in the transaction that stores an entry, so that a list never opens a
 * journal. What is missing, of calls from before there were summaries, is made when it is met.
 */
final readonly class Summaries
{
    /** Calls of one page. */
    public const PAGE = 50;

    /** Calls that are summed up at a time by a command. */
    private const BATCH = 200;

    public function __construct(private Connection $connection, private EntityManagerInterface $entities, private CallStore $calls, private Say $say, private LoggerInterface $logger)
    {
    }

    /** Sums a call up and keeps that. */
    public function write(Call $call, Journal $journal): void
    {
        $accepted = $journal->last(Accepted::class);
        $cause = null === $accepted ? '' : $accepted[0]->source->verdict['words'] ?? '';
        $this->store($call, $journal->position(), $journal->stage(), $journal->isClosed(), array_map(static fn (Message $message): array => [$message->key, $message->with], Unsafe::of($journal)), \count(array_filter($journal->entries, static fn (Entry $entry): bool => null !== $entry->unreadable)), \is_string($cause) ? $cause : '');
    }

    /** @return int calls that had none */
    public function complete(): int
    {
        $made = 0;
        do {
            /** @var list<string> $ids */
            $ids = $this->connection->fetchFirstColumn('SELECT c.id FROM callout c LEFT JOIN call_summary s ON s.call_id = c.id WHERE s.call_id IS NULL LIMIT '.self::BATCH);
            foreach ($ids as $id) {
                $this->make(Uuid::fromBinary($id));
                ++$made;
            }
            $this->entities->clear();
        } while ([] !== $ids);

        return $made;
    }

    /**
     * Calls of a firm, newest first.
     *
     * @param bool        $closed whether those that are closed, or the others
     * @param string      $search words that have to stand in address, customer or complaint; empty for all
     * @param string|null $after  where the page before ended
     */
    public function page(Firm $firm, bool $closed, string $search, ?string $after): CallPage
    {
        $conditions = ['s.firm_id = :firm', 's.closed = :closed'];
        $values = ['firm' => $firm->id, 'closed' => $closed ? 1 : 0];
        $types = ['firm' => 'uuid'];
        foreach (\array_slice(array_values(array_filter(preg_split('/\s+/u', trim($search)) ?: [], static fn (string $word): bool => '' !== $word)), 0, 8) as $at => $word) {
            $conditions[] = "(c.address LIKE :word$at OR c.customer LIKE :word$at OR c.complaint LIKE :word$at)";
            $values["word$at"] = '%'.addcslashes($word, '%_\\').'%';
        }
        if (null !== $after && 1 === preg_match('/^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d)Z,([0-9a-f-]{36})$/', $after, $match) && Uuid::isValid($match[2])) {
            $conditions[] = '(s.opened_at, s.call_id) < (:at, :id)';
            $values += ['at' => str_replace('T', ' ', $match[1]), 'id' => Uuid::fromString($match[2])];
            $types['id'] = 'uuid';
        }
        /** @var list<array{id: string, house_id: string|null, address: string, customer: string, complaint: string, visit: string, opened_at: string, stage: string, unsafe: string, unreadable: int|string}> $rows */
        $rows = $this->connection->fetchAllAssociative('SELECT c.id, c.house_id, c.address, c.customer, LEFT(c.complaint, 400) complaint, c.visit, s.opened_at, s.stage, s.unsafe, s.unreadable FROM call_summary s STRAIGHT_JOIN callout c ON c.id = s.call_id WHERE '.implode(' AND ', $conditions).' ORDER BY s.opened_at DESC, s.call_id DESC LIMIT '.(self::PAGE + 1), $values, $types);
        $calls = array_map(fn (array $row): CallSummary => new CallSummary(Uuid::fromBinary($row['id'])->toRfc4122(), $row['address'], $row['customer'], $row['complaint'], $row['visit'], $row['stage'], str_replace(' ', 'T', $row['opened_at']).'Z', null === $row['house_id'] ? null : Uuid::fromBinary($row['house_id'])->toRfc4122(), $this->sentences($row['unsafe']), (int) $row['unreadable']), \array_slice($rows, 0, self::PAGE));
        $last = \count($rows) > self::PAGE ? $calls[self::PAGE - 1] : null;

        return new CallPage($calls, null === $last ? null : "$last->openedAt,$last->id");
    }

    /** @return list<EarlierVisitView> earlier calls to the same address, newest first */
    public function earlier(Call $call): array
    {
        /** @var list<array{id: string, opened_at: string, complaint: string, cause: string|null}> $rows */
        $rows = $this->connection->fetchAllAssociative('SELECT c.id, c.opened_at, c.complaint, s.cause FROM callout c LEFT JOIN call_summary s ON s.call_id = c.id WHERE c.firm_id = ? AND c.address = ? AND c.opened_at <= ? AND c.id <> ? ORDER BY c.opened_at DESC, c.id DESC LIMIT 20', [$call->firm->id, $call->address, $call->openedAt, $call->id], ['uuid', 'string', Types::DATETIME_IMMUTABLE, 'uuid']);

        return array_map(static fn (array $row): EarlierVisitView => new EarlierVisitView(Uuid::fromBinary($row['id'])->toRfc4122(), str_replace(' ', 'T', $row['opened_at']).'Z', $row['complaint'], $row['cause'] ?? ''), $rows);
    }

    private function make(Uuid $id): void
    {
        $call = $this->entities->find(Call::class, $id);
        if (null === $call) {
            return;
        }
        try {
            $this->write($call, $this->calls->journal($call));
        } catch (\Throwable $e) {
            // A call that cannot be read is shown as that, and the list goes on.
            $this->logger->error('A call cannot be read', ['call' => $id->toRfc4122(), 'exception' => $e]);
            $this->store($call, 0, 'hear', false, [['unsafe.unreadable', []]], -1, '');
        }
    }

    /** @param list<array{string, array<string, mixed>}> $unsafe */
    private function store(Call $call, int $position, string $stage, bool $closed, array $unsafe, int $unreadable, string $cause): void
    {
        $this->connection->executeStatement(
            'INSERT INTO call_summary (call_id, firm_id, opened_at, position, house_version, stage, closed, unsafe, unreadable, cause) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
             ON DUPLICATE KEY UPDATE position = VALUES(position), house_version = VALUES(house_version), stage = VALUES(stage), closed = VALUES(closed), unsafe = VALUES(unsafe), unreadable = VALUES(unreadable), cause = VALUES(cause)',
            [$call->id, $call->firm->id, $call->openedAt, $position, $call->house?->version, $stage, $closed ? 1 : 0, $unsafe, $unreadable, mb_substr($cause, 0, 500)],
            ['uuid', 'uuid', Types::DATETIME_IMMUTABLE, 'integer', 'integer', 'string', 'integer', Types::JSON, 'integer', 'string'],
        );
    }

    /** @return list<string> */
    private function sentences(string $json): array
    {
        /** @var list<array{string, array<string, string>}> $kept */
        $kept = json_decode($json, true, 16, \JSON_THROW_ON_ERROR);

        return array_map(fn (array $message): string => $this->say->of(new Message($message[0], $message[1])), $kept);
    }
}
