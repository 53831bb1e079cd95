<?php

declare(strict_types=1);

namespace App\Security;

use App\Entity\User;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Uid\UuidV7;

/** Writes the security log, one line at once and whatever becomes of the request. */
final readonly class SecurityLog
{
    public const LOGIN = 'login';
    public const REFUSED = 'login-refused';
    public const SLOWED = 'login-slowed';
    public const LOGOUT = 'logout';
    public const SIGNED_OUT = 'signed-out';
    public const FORBIDDEN = 'forbidden';
    public const PASSWORD = 'password-changed';
    public const PIN = 'pin-changed';
    public const RESET = 'reset-asked';
    public const INVITED = 'invited';
    public const ROLE = 'role-changed';
    public const DEACTIVATED = 'deactivated';
    public const REACTIVATED = 'reactivated';
    public const ACCOMPANIED = 'second-person';
    public const NOT_ACCOMPANIED = 'second-person-refused';
    public const EXPORTED = 'exported';

    public const ALL = [self::LOGIN, self::REFUSED, self::SLOWED, self::LOGOUT, self::SIGNED_OUT, self::FORBIDDEN, self::PASSWORD, self::PIN, self::RESET, self::INVITED, self::ROLE, self::DEACTIVATED, self::REACTIVATED, self::ACCOMPANIED, self::NOT_ACCOMPANIED, self::EXPORTED];

    public function __construct(private Connection $connection, private RequestStack $requests, private ClockInterface $clock)
    {
    }

    /**
     * @param User|null             $user   who did it, or whose account it was tried on; null where nobody is known
     * @param array<string, string> $detail never a password, never a customer's words
     */
    public function note(string $kind, ?User $user, array $detail = []): void
    {
        $this->connection->insert('security_event', [
            'id' => new UuidV7(), 'firm_id' => $user?->firm->id, 'user_id' => $user?->id, 'kind' => $kind,
            'at' => $this->clock->now(), 'address' => self::address($this->requests->getMainRequest()?->getClientIp()), 'detail' => $detail,
        ], ['id' => 'uuid', 'firm_id' => 'uuid', 'user_id' => 'uuid', 'at' => Types::DATETIME_IMMUTABLE, 'detail' => Types::JSON]);
    }

    public static function address(?string $address): string
    {
        return $address ?? 'command line';
    }
}
