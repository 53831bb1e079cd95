<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Reach;
use YellowProbe\Diagnosis\Spread;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\Series;
use YellowProbe\Tests\Houses;
use YellowProbe\Words\Message;

final class SpreadTest extends TestCase
{
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    public function testRunsWalkTheLineAndTheBoard(): void
    {
        $all = Series::all(self::$house);
        $points = array_map(static fn ($plan): string => $plan->id, $all['zs:ring:L-E']->plans);
        self::assertSame(['zs:a.front:L-E', 'zs:b.front:L-E', 'zs:c.front:L-E', 'zs:d.front:L-E'], array_values(array_filter($points, static fn (string $id): bool => !str_contains($id, 'spur'))));
        self::assertSame('insulation:ring:L–E', $all['insulation:ways:L–E']->plans[0]->id);
        // The clamp stays at the board, the load walks.
        $loaded = $all['cpc-current:ring:loads'];
        self::assertEquals(new Message('run.title', ['procedure' => 'Current in a cpc', 'scope' => new Message('run.loads', ['circuit' => 'Ring'])]), $loaded->words);
        self::assertSame(['a', 'b', 'c', 'd'], array_values(array_filter(array_map(static fn ($plan): string => explode('.', explode(':', $plan->id)[2])[0], $loaded->plans), static fn (string $at): bool => 'spur' !== $at)));
        self::assertEquals(new Message('run.ways'), $all['cpc-current:ways:']->words->with['scope']);
        self::assertSame([], array_filter(array_keys($all), static fn (string $id): bool => str_starts_with($id, 'neutral-to-neutral')), 'a pair is no run');
        foreach ($all as $series) {
            self::assertGreaterThanOrEqual(2, \count($series->plans));
        }
    }

    public function testAPointThatStandsOutOfItsRunIsNamedACommonShiftIsNot(): void
    {
        $series = Series::all(self::$house)['zs:ring:L-E'];
        $shift = static function (float $factor, int $bad, float $worse) use ($series): array {
            $readings = [];
            foreach ($series->plans as $at => $plan) {
                $m = $plan->measurement;
                $value = $factor * (new Bench(self::$house, $m->state, $m->instrument, $m->connection))->read()->value * ($at === $bad ? $worse : 1.0);
                $readings[$at] = ReadingParser::parse(\sprintf('%.2f', $value), $m->instrument);
            }

            return array_map(static fn (array $member): bool => $member['outlier'], Spread::of(self::$house, $series, $readings)->members);
        };
        $none = array_fill(0, \count($series->plans), false);
        self::assertSame($none, $shift(1.0, -1, 1.0));
        self::assertSame($none, $shift(1.3, -1, 1.0), 'longer than surveyed, all of it');
        self::assertSame([2], array_keys(array_filter($shift(1.0, 2, 2.0))));

        // Two readings are no run yet; each point has its place on one scale.
        $first = $series->plans[0]->measurement;
        $spread = Spread::of(self::$house, $series, [0 => ReadingParser::parse('9.99', $first->instrument)]);
        self::assertFalse($spread->members[0]['outlier']);
        self::assertGreaterThan($spread->members[0]['expectedAt'], $spread->members[0]['readAt']);
        self::assertNull($spread->members[1]['readAt']);
        self::assertGreaterThanOrEqual(0.0, min(array_column($spread->members, 'expectedAt')));
    }

    public function testLampsStandOutWhereTheyAreNotAsExpected(): void
    {
        $series = Series::all(self::$house)['plug-in-check:ring:'];
        $readings = array_map(static fn ($plan): Reading => ReadingParser::parse('110', $plan->measurement->instrument), $series->plans);
        $readings[1] = ReadingParser::parse('101', $series->plans[1]->measurement->instrument);
        self::assertSame([1], array_keys(array_filter(array_column(Spread::of(self::$house, $series, $readings)->members, 'outlier'))));
    }

    public function testWithOneLeadHeldEveryOtherReadsAsItDoesByItself(): void
    {
        $state = State::resting(self::$house);
        foreach (['voltmeter-high-z', 'loop-2-wire', 'low-ohm', 'insulation-tester'] as $slug) {
            $instrument = Instruments::get($slug);
            $reach = Reach::of(self::$house, $state, $instrument, 'a.front-L');
            self::assertGreaterThan(30, \count($reach));
            foreach ($reach as $terminal => $shown) {
                self::assertSame(ReadingFormat::shown((new Bench(self::$house, $state, $instrument, Connection::leads('a.front-L', $terminal)))->read(), $instrument), $shown, "$slug to $terminal");
            }
        }
        $this->expectException(\InvalidArgumentException::class);
        Reach::of(self::$house, $state, Instruments::get('plug-in-tester'), 'a.front-L');
    }
}
