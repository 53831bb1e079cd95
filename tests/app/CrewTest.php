<?php

declare(strict_types=1);

namespace App\Tests;

use App\Command\Crew;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class CrewTest extends TestCase
{
    #[TestWith([1])]
    #[TestWith([3])]
    #[TestWith([20])]
    public function testEveryTaskIsDoneOnceAndTheResultsStandInTheirOrder(int $workers): void
    {
        $done = 0;
        // The first tasks take longest, so that they are not the first to be done.
        $results = Crew::share($workers, 9, static function (int $task): array {
            usleep(2000 * (9 - $task));

            return [$task, str_repeat('x', 100_000 * $task)];
        }, static fn (): bool => false, static function () use (&$done): void {
            ++$done;
        });
        self::assertSame(range(0, 8), array_keys($results));
        self::assertSame(range(0, 8), array_column($results, 0));
        self::assertSame(800_000, \strlen($results[8][1]));
        self::assertSame(9, $done);
    }

    public function testTheWorkIsSharedOut(): void
    {
        $by = Crew::share(2, 6, static function (): int {
            usleep(20_000);

            return (int) getmypid();
        }, static fn (): bool => false, static function (): void {});
        self::assertCount(2, array_unique($by));
        self::assertNotContains(getmypid(), $by);
    }

    #[TestWith([1])]
    #[TestWith([2])]
    public function testWhatIsUnderWayIsEndedWhenItIsStopped(int $workers): void
    {
        /** @var \ArrayObject<int, true> $done */
        $done = new \ArrayObject();
        $results = Crew::share($workers, 50, static fn (int $task): int => $task, static fn (): bool => \count($done) >= 3, static fn () => $done->append(true));
        self::assertGreaterThanOrEqual(3, \count($results));
        self::assertLessThanOrEqual(2 + $workers, \count($results));
    }

    #[TestWith([1])]
    #[TestWith([2])]
    public function testAFailureSaysWhatItWas(int $workers): void
    {
        $this->expectExceptionMessage('no lamp in box 2');
        Crew::share($workers, 4, static fn (int $task): int => 2 === $task ? throw new \RuntimeException("no lamp in box $task") : $task, static fn (): bool => false, static function (): void {});
    }
}
