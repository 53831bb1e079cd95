<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\FittedRows;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Diagnosis\Watchings;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\Watched;
use YellowProbe\Tests\Houses;

/** A device that is watched again is in the same house: what that brings its level to is one thing, not one each time. */
final class WatchingsTest extends TestCase
{
    private const HOLDS = DeviceWatch::HOLDS;
    private const TRIPS = DeviceWatch::TRIPS;
    private const DRAWS = 20000;

    public function testWhereOnlyTheHouseDecidesItDoesTheSameEveryTimeButForASlip(): void
    {
        // Hand-worked: the house puts it far to one side or the other; three of a hundred are seen wrong, half of 1.5 of a hundred are slips.
        [$right, $wrong] = [0.985 * 0.97 + 0.0075, 0.985 * 0.03 + 0.0075];
        self::assertEqualsWithDelta(0.5 * ($right ** 3 + $wrong ** 3), self::probability([self::HOLDS, self::HOLDS, self::HOLDS], 1.0, 1e6), 1e-6);
        self::assertEqualsWithDelta($right * $wrong, self::probability([self::HOLDS, self::TRIPS], 1.0, 1e6), 1e-6);
    }

    public function testWhatTheHouseDoesNotMoveIsLearntEachTimeAnew(): void
    {
        $once = self::probability([self::HOLDS], 1.05, 0.0);
        self::assertEqualsWithDelta($once ** 3, self::probability([self::HOLDS, self::HOLDS, self::HOLDS], 1.05, 0.0), 1e-12);
        $opposite = self::probability([self::TRIPS], 1.05, 0.0);
        self::assertEqualsWithDelta($once * $opposite, self::probability([self::TRIPS, self::HOLDS], 1.05, 0.0), 1e-12);
    }

    public function testItIsAsOftenAsInHousesThatAreDrawn(): void
    {
        $device = DeviceWatch::closed();
        $dice = new Dice(41);
        [$level, $wavers] = [1.5, 0.5];
        $seen = [0, 0, 0, 0];
        for ($draw = 0; $draw < self::DRAWS; ++$draw) {
            $shown = $device->level($level * exp($wavers * $dice->normal()));
            $held = 0;
            for ($time = 0; $time < 3; ++$time) {
                $held += (int) $dice->chance((1.0 - Likelihood::BLUNDER) * $device->probability($shown, self::HOLDS) + 0.5 * Likelihood::BLUNDER);
            }
            ++$seen[$held];
        }
        $orders = [1, 3, 3, 1];
        for ($held = 0; $held <= 3; ++$held) {
            $patterns = array_pad(array_fill(0, $held, self::HOLDS), 3, self::TRIPS);
            // Of a normal and of the logistic that stands for it.
            self::assertEqualsWithDelta($seen[$held] / self::DRAWS, $orders[$held] * self::probability($patterns, $level, $wavers * $level), 0.02, "held $held times of three");
        }
        self::assertGreaterThan(4.0 * self::probability([self::HOLDS], $level, $wavers * $level) ** 3, self::probability([self::HOLDS, self::HOLDS, self::HOLDS], $level, $wavers * $level));
    }

    public function testOtherDevicesAreOtherWitnesses(): void
    {
        $evidence = [...self::evidence([self::HOLDS], 1.2, 0.6), ...self::evidence([self::HOLDS], 1.2, 0.6, 'shed-main')];
        self::assertSame(0.0, (new Watchings($evidence))->together([]));
        self::assertGreaterThan(0.1, (new Watchings(self::evidence([self::HOLDS, self::HOLDS], 1.2, 0.6)))->together([]));
    }

    /** @param list<string> $patterns */
    private static function probability(array $patterns, float $level, float $spread): float
    {
        return exp((new FittedRows(self::evidence($patterns, $level, $spread)))->sound->log);
    }

    /**
     * @param list<string> $patterns
     *
     * @return list<Evidence>
     */
    private static function evidence(array $patterns, float $level, float $spread, ?string $of = null): array
    {
        $house = Houses::demo('rod-and-outbuilding');
        $devices = array_values(array_filter($house->parts, static fn (Part $part): bool => 'shed-main' !== $part->id && null !== Watched::device($part, State::resting($house))));
        $watch = Watched::device(null === $of ? $devices[0] : $house->parts[$of], State::resting($house));
        self::assertNotNull($watch);
        $device = DeviceWatch::briefly();
        $row = new Row($device->level($level, 0.0 === $level ? 0.0 : $spread / $level), 0.0, Row::LEAST, []);

        return array_map(static fn (int $at, string $pattern): Evidence => new Evidence(($of ?? 'w').$at, $watch, ReadingParser::parse($pattern, $device), static fn (): PredictionTable => PredictionTable::of(['sound' => [$row]]), 'there'), array_keys($patterns), $patterns);
    }
}
