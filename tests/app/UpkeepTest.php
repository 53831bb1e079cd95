<?php

declare(strict_types=1);

namespace App\Tests;

use App\Cache\Predictions;
use App\Log\Context;
use App\Upkeep\Logs;
use Monolog\Level;
use Monolog\LogRecord;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Cache\Adapter\FilesystemAdapter;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;

/** Nothing grows without bound, and no log holds what somebody told. */
final class UpkeepTest extends TestCase
{
    private string $directory;

    protected function setUp(): void
    {
        $this->directory = sys_get_temp_dir().'/yellow-probe-'.bin2hex(random_bytes(6));
        mkdir($this->directory);
    }

    protected function tearDown(): void
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($this->directory, \FilesystemIterator::SKIP_DOTS), \RecursiveIteratorIterator::CHILD_FIRST) as $file) {
            \assert($file instanceof \SplFileInfo);
            $file->isDir() ? rmdir($file->getPathname()) : unlink($file->getPathname());
        }
        rmdir($this->directory);
    }

    public function testTheOldestPredictionsGoWhenThereIsMoreThanTheBound(): void
    {
        $pool = new FilesystemAdapter('predictions', 3600, $this->directory);
        for ($at = 0; $at < 20; ++$at) {
            $item = $pool->getItem("k$at")->set(random_bytes(100_000))->expiresAfter(1000 + $at);
            $pool->save($item);
        }
        [$before, $after] = (new Predictions($this->directory, 1))->bound();
        self::assertGreaterThan(2_000_000, $before);
        self::assertLessThanOrEqual(1_000_000, $after);
        self::assertGreaterThan(700_000, $after);
        $kept = array_values(array_filter(range(0, 19), static fn (int $at): bool => $pool->hasItem("k$at")));
        self::assertSame(range(20 - \count($kept), 19), $kept, 'the newest stay');
        self::assertSame([$after, $after], (new Predictions($this->directory, 1))->bound());
    }

    public function testALogIsTurnedOverWhileItIsOpen(): void
    {
        $log = "$this->directory/server.log";
        $open = fopen($log, 'a');
        self::assertNotFalse($open);
        $logs = new Logs($this->directory);
        foreach (['one', 'two', 'three', 'four', 'five', 'six'] as $turn) {
            fwrite($open, str_repeat("$turn\n", 40));
            self::assertSame(['server.log'], $logs->rotate(100));
        }
        fwrite($open, "seven\n");
        self::assertSame([], $logs->rotate(100));
        self::assertSame("seven\n", file_get_contents($log));
        self::assertStringStartsWith('six', (string) file_get_contents("$log.1"));
        self::assertSame(4, \count(glob("$log.*") ?: []));
    }

    public function testALineSaysWhichRequestAndCallAndNothingThatWasTold(): void
    {
        $requests = new RequestStack();
        $request = Request::create('/api/calls/0190a000-0000-7000-8000-000000000000/ranking');
        $request->headers->set('X-Request-Id', 'abc123');
        $request->attributes->set('_route_params', ['id' => '0190a000-0000-7000-8000-000000000000']);
        $requests->push($request);
        $thrown = new \RuntimeException('Duplicate entry mrs.secret@x.example', 0, new \PDOException('SQLSTATE: Mrs Secret, 4 Hidden Lane'));
        $record = (new Context($requests))(new LogRecord(new \DateTimeImmutable(), 'app', Level::Error, 'Uncaught PHP Exception: "Duplicate entry mrs.secret@x.example" at x', ['exception' => $thrown, 'call' => 'c1', 'complaint' => 'Mrs Secret says it hums']));
        $line = json_encode([$record->message, $record->context, $record->extra], \JSON_THROW_ON_ERROR);
        self::assertStringContainsString('abc123', $line);
        self::assertStringContainsString('0190a000-0000-7000-8000-000000000000', $line);
        self::assertStringContainsString('PDOException', $line);
        self::assertStringContainsString('UpkeepTest.php', $line);
        foreach (['Secret', 'secret', 'Hidden', 'hums'] as $told) {
            self::assertStringNotContainsString($told, $line);
        }
    }
}
