<?php

declare(strict_types=1);

namespace App\Tests;

use App\Bench\DiagnosisBench;
use App\Bench\NetworkBench;
use App\Bench\Timing;
use App\House\HouseDocument;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Installation\Findings;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Tests\Houses;

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

    public function testTheDiagnosisIsTimedOnTestsSpreadOverTheHouse(): void
    {
        $root = \dirname(__DIR__, 2);
        $house = (new HouseDocument($root))->decode((string) file_get_contents("$root/demo/houses/rod-and-outbuilding.json"));
        $few = \array_slice(HypothesisSpace::of($house, Houses::rates()), 0, 4);
        $bench = new DiagnosisBench($house, $few);
        self::assertCount(DiagnosisBench::READINGS, array_unique(array_map(static fn (TestPlan $plan): string => $plan->id, $bench->plans)));
        self::assertGreaterThan(10, \count(array_unique(array_map(static fn (TestPlan $plan): string => $plan->procedure->slug(), $bench->plans))), 'of many kinds');
        foreach ($bench->times() as $what => $time) {
            self::assertGreaterThan(0.0, $time->median, $what);
        }
    }
}
