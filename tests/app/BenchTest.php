<?php

declare(strict_types=1);

namespace App\Tests;

use App\Bench\NetworkBench;
use App\Bench\Timing;
use App\House\HouseDocument;
use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\Findings;

final class BenchTest extends TestCase
{
    public function testATimingIsAMedianWithItsSpread(): void
    {
        self::assertSame(['median' => 3.0, 'low' => 1.0, 'high' => 4.0], Timing::among([5.0, 1.0, 4.0, 2.0, 3.0])->toArray());
        self::assertSame(['median' => 7.0, 'low' => 7.0, 'high' => 7.0], Timing::among([7.0])->toArray());
        $calls = 0;
        $timing = Timing::of(static function () use (&$calls): void {
            ++$calls;
        }, 9, 3);
        self::assertSame(18, $calls, 'nine to warm up, nine that count');
        self::assertGreaterThanOrEqual($timing->low, $timing->median);
        self::assertGreaterThanOrEqual($timing->median, $timing->high);
    }

    public function testTheHousesOfTheBenchHaveTheSizesTheyAreNamedFor(): void
    {
        $documents = new HouseDocument(\dirname(__DIR__, 2));
        foreach ([150, 370, 900, 1800] as $nodes) {
            $house = $documents->decode((string) file_get_contents(__DIR__."/../../demo/bench/house-$nodes.json"));
            self::assertEqualsWithDelta($nodes, (new NetworkBench($house))->network->nodeCount, 0.05 * $nodes);
            self::assertEquals([], Findings::of($house));
        }
        self::assertCount(12, $documents->decode((string) file_get_contents(__DIR__.'/../../demo/bench/house-370.json'))->circuits);
    }
}
