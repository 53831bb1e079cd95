<?php

declare(strict_types=1);

namespace App\Security;

use App\Api\Problem;
use App\Database\Attempts;
use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;

/**
 * Slows down whoever guesses: per account and address together, per address, and per account from everywhere. An attempt is
 * counted before its password is looked at, so that a hundred at once are no way around it.
 */
final readonly class Throttle
{
    public const LOGIN = 'login';
    public const RESET = 'reset';
    public const SECOND_PERSON = 'second person';

    /** Attempts that cost nothing. */
    private const FREE = ['pair' => 5, 'address' => 20, 'account' => 50];

    /** The first wait; each further attempt doubles it. */
    private const FIRST_SECONDS = 15;
    private const MOST_SECONDS = 900;

    /** After so long without an attempt all is forgotten. */
    public const FORGOTTEN_SECONDS = 3600;

    public function __construct(private Connection $connection, private Attempts $attempts, private ClockInterface $clock)
    {
    }

    /**
     * Counts an attempt, which may then be made.
     *
     * @param string $purpose what is tried; attempts at one thing do not slow down another
     * @param string $pointer to the field that was filled in
     *
     * @throws Problem 429 with how long to wait, when it may not
     */
    public function admit(string $account, string $address, string $purpose, string $pointer): void
    {
        $wait = $this->attempt($account, $address, $purpose);
        if ($wait > 0) {
            throw new Problem(429, 'Too many attempts', \sprintf('This was tried too often. Try again in %s.', $wait < 60 ? "$wait s" : ceil($wait / 60).' min'), $pointer);
        }
    }

    /** @return int seconds to wait before the next attempt; 0 when this one may be made, which then counts */
    public function attempt(string $account, string $address, string $purpose = self::LOGIN): int
    {
        $names = self::names($account, $address, $purpose);

        return $this->attempts->of(function () use ($names): int {
            $now = $this->clock->now()->getTimestamp();
            $wait = 0;
            $counts = [];
            foreach ($names as $kind => $name) {
                // The row is there before it is locked, so that two who come first do not wait for each other.
                $this->connection->executeStatement('INSERT IGNORE INTO throttle (name, attempts, last_at) VALUES (?, 0, 0)', [$name]);
                /** @var array{attempts: int|string, last_at: int|string} $row */
                $row = $this->connection->fetchAssociative('SELECT attempts, last_at FROM throttle WHERE name = ? FOR UPDATE', [$name]);
                $counts[$name] = $now - (int) $row['last_at'] > self::FORGOTTEN_SECONDS ? 0 : (int) $row['attempts'];
                $wait = max($wait, (int) $row['last_at'] + self::pause($kind, $counts[$name]) - $now);
            }
            foreach ($wait > 0 ? [] : $counts as $name => $attempts) {
                $this->connection->update('throttle', ['attempts' => $attempts + 1, 'last_at' => $now], ['name' => $name]);
            }

            return max(0, $wait);
        });
    }

    /** The attempt was no guess: the account starts anew, and the address has one attempt less. */
    public function succeeded(string $account, string $address, string $purpose = self::LOGIN): void
    {
        $names = self::names($account, $address, $purpose);
        $this->connection->executeStatement('DELETE FROM throttle WHERE name IN (?, ?)', [$names['pair'], $names['account']]);
        $this->connection->executeStatement('UPDATE throttle SET attempts = GREATEST(attempts, 1) - 1 WHERE name = ?', [$names['address']]);
    }

    /** Rows that have no effect any more go. */
    public function forget(): int
    {
        return (int) $this->connection->executeStatement('DELETE FROM throttle WHERE last_at < ?', [$this->clock->now()->getTimestamp() - self::FORGOTTEN_SECONDS]);
    }

    private static function pause(string $kind, int $attempts): int
    {
        $over = $attempts - self::FREE[$kind];

        return $over < 0 ? 0 : (int) min(self::MOST_SECONDS, self::FIRST_SECONDS * 2 ** min($over, 10));
    }

    /** @return array{pair: string, address: string, account: string} in the order they are locked */
    private static function names(string $account, string $address, string $purpose): array
    {
        $account = mb_strtolower(trim($account));
        // Whoever has one address of an IPv6 network has all of them.
        $packed = str_contains($address, ':') ? inet_pton($address) : false;
        $address = false === $packed ? $address : bin2hex(substr($packed, 0, 8));

        return [
            'pair' => 'pair:'.hash('sha256', "$purpose\n$account\n$address"),
            'address' => 'address:'.hash('sha256', "$purpose\n$address"),
            'account' => 'account:'.hash('sha256', "$purpose\n$account"),
        ];
    }
}
