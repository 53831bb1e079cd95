<?php

declare(strict_types=1);

namespace App\Tests;

use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\Uid\UuidV7;

/** A ranking that nothing is kept for says how far it is, and can be asked for in parts. */
final class ColumnsTest extends ApiTestCase
{
    public function testWhatIsMissingIsNamedWorkedOutInPartsAndNotLeftToTheRanking(): void
    {
        $pool = self::getContainer()->get('cache.predictions');
        self::assertInstanceOf(CacheItemPoolInterface::class, $pool);
        $pool->clear();
        $path = '/api/calls/'.$this->demoCall('Salter').'/columns';
        $cold = $this->call('GET', $path);
        $missing = (array) $cold['missing'];
        self::assertSame($cold['total'], \count($missing));
        self::assertGreaterThan(5, $cold['total']);
        // What was measured twice is one column; the devices that were closed meanwhile have theirs.
        $read = array_filter($missing, static fn (mixed $id): bool => \is_string($id) && !str_contains($id, '~'));
        self::assertLessThanOrEqual(\count((array) $this->call('GET', '/api/calls/'.$this->demoCall('Salter'))['readings']), \count($read));
        self::assertGreaterThan(\count($read), $cold['total']);

        $after = $this->call('POST', $path, ['observations' => \array_slice($missing, -2)]);
        self::assertSame(\array_slice($missing, 0, -2), $after['missing']);
        self::assertSame($after, $this->call('POST', $path, ['observations' => \array_slice($missing, -2)]), 'asked again it is there');

        self::assertSame('/observations/0', $this->call('POST', $path, ['observations' => [$this->demoCall('Salter')]], 422)['pointer']);
        self::assertSame('/observations', $this->call('POST', $path, ['observations' => array_fill(0, 9, 'x')], 422)['pointer']);
        self::assertSame('/observations/1', $this->call('POST', $path, ['observations' => [$missing[0], 7]], 422)['pointer']);
        self::assertSame($after['missing'], $this->call('GET', $path)['missing'], 'what was refused worked nothing out');

        $this->call('GET', '/api/calls/'.$this->demoCall('Salter').'/ranking');
        self::assertSame(['total' => $cold['total'], 'missing' => []], $this->call('GET', $path));
    }

    public function testACallWithoutAHouseHasNone(): void
    {
        $call = $this->call('POST', '/api/calls', ['id' => (new UuidV7())->toRfc4122(), 'address' => '9 Nowhere Row', 'customer' => 'Mr Tansy', 'complaint' => 'Trips at night.', 'visit' => 'fault', 'openedAt' => '2026-11-20T09:00:00Z'], 201);
        $this->call('GET', '/api/calls/'.self::textAt(self::at($call, 'call', 'id')).'/columns', null, 409);
        $this->call('GET', '/api/calls/'.(new UuidV7())->toRfc4122().'/columns', null, 404);
    }
}
