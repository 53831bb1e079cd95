<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\Kept;
use App\Job\Pulse;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Cache\Adapter\ArrayAdapter;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Lock\Store\InMemoryStore;
use YellowProbe\Installation\House;

/** What was computed is computed once for all that it depends on, and a failure leaves nothing locked. */
final class KeptTest extends TestCase
{
    public function testItIsMadeOnceForEachOfWhatItDependsOn(): void
    {
        $kept = new Kept(new ArrayAdapter(), new LockFactory(new InMemoryStore()), new Pulse());
        $house = House::fromDocument(self::document());
        $made = 0;
        $make = static function () use (&$made): string {
            return 'made '.++$made;
        };

        self::assertNull($kept->find('word', $house, [1]));
        self::assertSame(['made 1', 'made 1', 'made 2'], [$kept->get('word', $house, [1], $make), $kept->get('word', $house, [1], $make), $kept->get('word', $house, [2], $make)]);
        self::assertSame('made 1', $kept->find('word', $house, [1]));
        try {
            $kept->get('word', $house, [3], static function () use ($made): string {
                return $made > 0 ? throw new \DomainException('no') : 'never';
            });
            self::fail('what went wrong is told');
        } catch (\DomainException) {
            self::assertSame('made 3', $kept->get('word', $house, [3], $make), 'whoever comes next makes it');
        }
        $kept->keep('word', $house, [1], 'other');
        self::assertSame('other', $kept->get('word', $house, [1], $make));
    }

    public function testNobodyWaitsLongForWhoeverWorksTheSameThingOut(): void
    {
        $locks = new LockFactory(new InMemoryStore());
        $kept = new Kept(new ArrayAdapter(), $locks, new Pulse());
        $house = House::fromDocument(self::document());
        // Another has every lock of the name, and never lets go.
        $held = [];
        for ($number = 0; $number < 64; ++$number) {
            $held[] = $lock = $locks->createLock("word $number");
            self::assertTrue($lock->acquire());
        }
        $made = 0;
        $make = static function () use (&$made): string {
            return 'made '.++$made;
        };
        self::assertSame(['made 1', 'made 1'], [$kept->get('word', $house, [1], $make), $kept->get('word', $house, [1], $make)]);
        self::assertTrue($held[0]->isAcquired(), 'and what is not its own it does not release');
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents(\dirname(__DIR__, 2).'/demo/houses/wicket-lane.json'), true, 64, \JSON_THROW_ON_ERROR);

        return $document;
    }
}
