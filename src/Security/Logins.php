<?php

declare(strict_types=1);

namespace App\Security;

use App\Entity\Login;
use App\Entity\User;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Uid\UuidV7;

/** The logins of people: begun, looked at with each request, ended one by one or all. */
final readonly class Logins
{
    /** Attribute of the session's token that names the login. */
    public const ATTRIBUTE = 'login';

    /** A login that nobody used for so long is over. */
    public const IDLE_DAYS = 14;

    /** How exactly it is known when somebody was last here; each request would be too many writes. */
    private const SEEN_SECONDS = 300;

    public function __construct(private EntityManagerInterface $entities, private Connection $connection, private ClockInterface $clock)
    {
    }

    public function begin(User $user, ?Request $request): string
    {
        $now = $this->clock->now();
        $device = mb_substr(mb_scrub((string) $request?->headers->get('User-Agent'), 'UTF-8'), 0, 200);
        $login = new Login(new UuidV7(), $user->firm, $user, $device, SecurityLog::address($request?->getClientIp()), $now, $now);
        $this->entities->persist($login);
        $this->entities->flush();

        return $login->id->toRfc4122();
    }

    /** Whether it is a login of this person that has not ended; being asked counts as being used. */
    public function isGood(User $user, string $id): bool
    {
        if (!Uuid::isValid($id)) {
            return false;
        }
        $now = $this->clock->now();
        /** @var array{seen_at: string}|false $row */
        $row = $this->connection->fetchAssociative('SELECT seen_at FROM login WHERE id = ? AND user_id = ? AND ended_at IS NULL', [Uuid::fromString($id), $user->id], ['uuid', 'uuid']);
        if (false === $row) {
            return false;
        }
        $idle = $now->getTimestamp() - (new \DateTimeImmutable($row['seen_at'], new \DateTimeZone('UTC')))->getTimestamp();
        if ($idle > self::IDLE_DAYS * 86400) {
            return false;
        }
        if ($idle > self::SEEN_SECONDS) {
            $this->connection->executeStatement('UPDATE login SET seen_at = ? WHERE id = ?', [$now, Uuid::fromString($id)], [Types::DATETIME_IMMUTABLE, 'uuid']);
        }

        return true;
    }

    /** @return list<Login> those that have not ended, the last used first */
    public function of(User $user): array
    {
        $since = $this->clock->now()->modify(\sprintf('-%d days', self::IDLE_DAYS));
        /** @var list<Login> $logins */
        $logins = $this->entities->createQuery('SELECT l FROM '.Login::class.' l WHERE l.user = :user AND l.endedAt IS NULL AND l.seenAt > :since ORDER BY l.seenAt DESC, l.id DESC')->setParameter('user', $user->id, 'uuid')->setParameter('since', $since)->getResult();

        return $logins;
    }

    /** @return int how many ended */
    public function end(User $user, ?string $only = null, ?string $except = null): int
    {
        $sql = 'UPDATE login SET ended_at = ? WHERE user_id = ? AND ended_at IS NULL';
        $values = [$this->clock->now(), $user->id];
        $types = [Types::DATETIME_IMMUTABLE, 'uuid'];
        foreach ([[$only, ' AND id = ?'], [$except, ' AND id <> ?']] as [$id, $condition]) {
            if (null !== $id) {
                $sql .= $condition;
                $values[] = Uuid::isValid($id) ? Uuid::fromString($id) : new UuidV7();
                $types[] = 'uuid';
            }
        }

        return (int) $this->connection->executeStatement($sql, $values, $types);
    }

    /** Logins that ended, or that nobody used for long, go after a year: the security log says what was. */
    public function forget(): int
    {
        return (int) $this->connection->executeStatement('DELETE FROM login WHERE seen_at < ?', [$this->clock->now()->modify('-1 year')], [Types::DATETIME_IMMUTABLE]);
    }
}
