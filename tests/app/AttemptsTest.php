<?php

declare(strict_types=1);

namespace App\Tests;

use App\Api\Problem;
use App\Database\Attempts;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;

/** What somebody else was quicker with is tried again, and nothing of the first attempt is left. */
final class AttemptsTest extends ApiTestCase
{
    public function testItIsTriedAgainUntilItSucceedsAndLeavesNothingOfWhatFailed(): void
    {
        $connection = self::service(Connection::class);
        $connection->insert('worker', ['name' => 'taken', 'seen_at' => '2026-12-01 10:00:00']);
        $attempts = 0;
        $result = self::service(Attempts::class)->of(static function () use ($connection, &$attempts): string {
            ++$attempts;
            $connection->insert('worker', ['name' => "attempt-$attempts", 'seen_at' => '2026-12-01 10:00:00']);
            $connection->insert('worker', ['name' => $attempts < 3 ? 'taken' : 'free', 'seen_at' => '2026-12-01 10:00:00']);

            return 'stored';
        });
        self::assertSame(['stored', 3], [$result, $attempts]);
        self::assertSame(['attempt-3', 'free', 'taken'], $connection->fetchFirstColumn("SELECT name FROM worker WHERE name IN ('attempt-1', 'attempt-2', 'attempt-3', 'free', 'taken') ORDER BY name"));
    }

    public function testWhatNeverSucceedsIsSaidAndNotTriedForEver(): void
    {
        $connection = self::service(Connection::class);
        $attempts = 0;
        try {
            self::service(Attempts::class)->of(static function () use ($connection, &$attempts): void {
                ++$attempts;
                $connection->insert('worker', ['name' => 'twice', 'seen_at' => '2026-12-01 10:00:00']);
                $connection->insert('worker', ['name' => 'twice', 'seen_at' => '2026-12-01 10:00:00']);
            });
            self::fail('It was stored twice.');
        } catch (Problem $problem) {
            self::assertSame([503, 6], [$problem->status, $attempts]);
        }
    }

    public function testInsideAnotherTransactionThatOneIsTriedAgain(): void
    {
        $connection = self::service(Connection::class);
        $inner = 0;
        $connection->beginTransaction();
        try {
            self::service(Attempts::class)->of(static function () use ($connection, &$inner): void {
                ++$inner;
                $connection->insert('worker', ['name' => 'twice', 'seen_at' => '2026-12-01 10:00:00']);
                $connection->insert('worker', ['name' => 'twice', 'seen_at' => '2026-12-01 10:00:00']);
            });
            self::fail('It was stored twice.');
        } catch (UniqueConstraintViolationException) {
            self::assertSame(1, $inner);
        } finally {
            $connection->rollBack();
        }
    }
}
