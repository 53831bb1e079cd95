<?php

declare(strict_types=1);

namespace App\Database;

use App\Api\Problem;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\RetryableException;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;

/**
 * A transaction that is tried again: after a deadlock, a lock that took too long, and after somebody stored the same id in
 * between, which the next attempt then finds.
 */
final readonly class Attempts
{
    private const MOST = 6;

    /** The first pause is of so many µs, by chance; each later one is longer. */
    private const LEAST_PAUSE = 5_000;
    private const MOST_PAUSE = 40_000;

    public function __construct(private Connection $connection)
    {
    }

    /**
     * @template T
     *
     * @param \Closure(): T $work whatever it has done is undone before it is called again
     *
     * @return T
     *
     * @throws Problem                                                when it still fails after several attempts; nothing is half-written
     * @throws RetryableException|UniqueConstraintViolationException at once, inside a transaction
     */
    public function of(\Closure $work): mixed
    {
        if ($this->connection->isTransactionActive()) {
            // Inside another one it is that which is tried again: after a deadlock nothing of it is left.
            return $this->connection->transactional($work);
        }
        for ($attempt = 1;; ++$attempt) {
            try {
                return $this->connection->transactional($work);
            } catch (RetryableException|UniqueConstraintViolationException $e) {
                if ($attempt >= self::MOST) {
                    throw new Problem(503, 'Not at this moment', 'Others are storing the same thing just now. Send the same request again; it is stored once.', '', $e);
                }
                usleep(random_int(self::LEAST_PAUSE, self::MOST_PAUSE) * $attempt);
            }
        }
    }
}
