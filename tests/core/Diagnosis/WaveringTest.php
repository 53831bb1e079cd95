<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Evaluation\MatchedWorld;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Procedure\Watched;
use YellowProbe\Tests\Houses;

/** A device close to its trip current holds or opens by what is uncertain about the house. */
final class WaveringTest extends TestCase
{
    private const DRAWS = 400;

    /** @return iterable<string, array{string, string}> kind and site */
    public static function close(): iterable
    {
        yield 'a bond of neutral and earth behind the device of an outbuilding' => ['second-ne-bond', 'shed-board'];
        yield 'neutral on earth at a socket there' => ['neutral-earth-fault', 'bench'];
    }

    #[DataProvider('close')]
    public function testItHoldsInAsManyHousesAsIsExpected(string $kind, string $site): void
    {
        $house = Houses::demo('rod-and-outbuilding');
        $watch = Watched::device($house->parts['shed-main'], State::resting($house));
        $hypothesis = current(array_filter(HypothesisSpace::of($house, Houses::rates()), static fn (Hypothesis $one): bool => "$kind|$site" === $one->id));
        self::assertNotNull($watch);
        self::assertNotFalse($hypothesis);
        $rows = Predictor::table($house, $watch, [Hypothesis::sound(1.0), $hypothesis])->rows($hypothesis);
        // The severity that is nearest to what opens it.
        $levels = array_map(static fn (Row $row): float => abs(log($row->shown->levels[0])), $rows);
        self::assertNotEmpty($levels);
        $at = (int) array_search(min($levels), $levels, true);

        $truth = Fault::at($house, $kind, $site, $hypothesis->ohms()[$at])->change($house);
        $dice = new Dice(7);
        $held = 0;
        for ($draw = 0; $draw < self::DRAWS; ++$draw) {
            $held += (int) ((new Bench($house, $watch->state, $watch->instrument, $watch->connection, MatchedWorld::factors($house, $dice)))->read($truth)->levels[0] < 1.0);
        }

        self::assertInstanceOf(DeviceWatch::class, $watch->instrument);
        self::assertGreaterThan(0.1, $held / self::DRAWS);
        self::assertLessThan(0.9, $held / self::DRAWS);
        // Three deviations of so many draws.
        self::assertEqualsWithDelta($held / self::DRAWS, $watch->instrument->probability($rows[$at]->shown, DeviceWatch::HOLDS), 0.075);
    }

    public function testWhatIsFarFromItsTripCurrentIsCertainButForASlip(): void
    {
        $device = DeviceWatch::closed();
        self::assertSame(0.5, $device->probability($device->level(1.0, 0.6), DeviceWatch::TRIPS));
        self::assertEqualsWithDelta(0.97, $device->probability($device->level(50.0, 0.5), DeviceWatch::TRIPS), 1e-3);
        self::assertEqualsWithDelta(0.97, $device->probability($device->level(0.0), DeviceWatch::HOLDS), 1e-9);
        self::assertGreaterThan($device->probability($device->level(1.5, 0.0), DeviceWatch::HOLDS), $device->probability($device->level(1.5, 0.5), DeviceWatch::HOLDS));
    }
}
