<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Holding;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Implied;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestPlan;
use YellowProbe\Procedure\Watched;

/** What a fault lets stand: devices that open, tests that cannot be done because of it, and what it says that they hold. */
final class HoldingTest extends Asked
{
    public function testBehindADeviceThatOpensNothingLiveIsAskedForAndElsewhereItIsLeftOff(): void
    {
        $asked = fn (string $seen): array => array_map(static fn (Candidate $candidate): string => $candidate->plan->id, Planner::sketching(self::$house)->next($this->watching($seen), State::resting(self::$house)));
        $held = $asked(DeviceWatch::HOLDS);
        self::assertNotEmpty(array_filter($held, static fn (string $id): bool => isset(Watched::by(self::$house, TestCatalogue::plan(self::$house, $id)->measurement)['rcd-a'])), 'it holds: live tests come off');
        $opened = $asked(DeviceWatch::TRIPS);
        self::assertNotEmpty($opened);
        foreach ($opened as $id) {
            $plan = TestCatalogue::plan(self::$house, $id);
            $measurement = $plan->measurement;
            // With loads out or breakers off it may hold: that is another question.
            $isRelieved = [] !== array_filter(State::resting(self::$house)->changesTo($measurement->state), static fn (StateChange $change): bool => 'rcd-a' !== $change->subject && \in_array($change->value, ['off', 'out'], true));
            if (!$isRelieved && Watched::isLive(self::$house, $measurement)) {
                self::assertArrayNotHasKey('rcd-a', Watched::by(self::$house, $measurement), "$id has a device before it that does not stay closed");
                self::assertSame('off', $measurement->state->position('rcd-a', 'on'), "$id leaves it closed");
                self::assertStringContainsString('Device A left off', $plan->words);
            }
        }
        self::assertSame([], array_filter($opened, static fn (string $id): bool => 'holds-unplugged:way1:in' === $id), 'nor is what stands behind it closed');
        self::assertNotEmpty(array_filter($opened, static fn (string $id): bool => str_starts_with($id, 'holds-by-breaker:rcd-a:')), 'breaker by breaker it is found which');
    }

    public function testOneSlipAmongManySightingsDoesNotMakeADeviceHold(): void
    {
        // Noted as holding once and seen to open nine times, by what has no name: that does again what it was seen to do, as often.
        $else = new Standing(Hypothesis::somethingElse(0.9), 0.0, array_fill(0, 10, 0.0), [1.0]);
        $sound = new Standing(Hypothesis::sound(0.1), 0.0, array_fill(0, 10, 0.0), [1.0]);
        [$else->probability, $sound->probability] = [0.9, 0.1];
        $plan = TestCatalogue::plans(self::$house)['plug-in-check:a.front'];
        $standing = function (int $trips) use ($else, $sound, $plan): ?TestPlan {
            $seen = $this->watching(DeviceWatch::HOLDS, ...array_fill(0, $trips, DeviceWatch::TRIPS))->evidence;

            return (new Holding(self::$house, new Ranking([$else, $sound], $seen), Beliefs::of([$else, $sound]), ['ring' => 0.9], static fn (Measurement $watched): PredictionTable => Predictor::table(self::$house, $watched, [Hypothesis::sound(1.0)])))->standing($plan);
        };
        self::assertNull($standing(9));
        self::assertSame($plan, $standing(0), 'seen to hold it comes off');
    }

    public function testClosedBreakerByBreakerTheCircuitIsFound(): void
    {
        $evidence = [];
        $fault = Fault::at(self::$house, 'line-earth-leak', 'd', 300.0);
        foreach (['all', 'none', 'ring', 'low'] as $which) {
            $evidence[] = self::piece($fault, "holds-by-breaker:rcd-a:$which", self::space(['residual-trip']));
        }
        self::assertSame(['trips', 'holds', 'trips', 'holds'], array_map(static fn (Evidence $piece): string => $piece->reading->pattern, $evidence));
        $ranking = Ranker::rank(self::space(['residual-trip']), $evidence);
        $onRing = 0.0;
        foreach ($ranking->standings as $standing) {
            foreach ($standing->hypothesis->site->places ?? [] as $place) {
                $onRing += \in_array($place, self::placesOf('ring'), true) ? $standing->probability : 0.0;
            }
        }
        self::assertGreaterThan(0.7, $onRing);
    }

    public function testALiveReadingSaysThatEveryDeviceBeforeItHeldOnce(): void
    {
        $space = self::space(['residual-trip']);
        $tables = static fn (Measurement $watched): PredictionTable => Predictor::table(self::$house, $watched, $space);
        $read = [self::piece(null, 'polarity-live:c.front:L-N', $space, '1'), self::piece(null, 'zs:b.front:L-E', $space, '0')];
        $implied = Implied::holds(self::$house, $read, $tables);
        self::assertSame(['0~way1', '0~rcd-a'], array_map(static fn (Evidence $piece): string => $piece->id, $implied), 'of the earliest, each device once');
        self::assertSame('0', Implied::source($implied[1]->id));
        self::assertSame(Implied::holds(self::$house, array_reverse($read), $tables)[0]->id, $implied[0]->id, 'whatever the order of entry');

        // A leak to earth of up to 1 kΩ behind a device that stays closed: the reading alone allows it, what it implies does not.
        $check = [self::piece(null, 'plug-in-check:c.front', $space)];
        $hard = self::hardLeaks(Ranker::rank($space, $check));
        self::assertGreaterThan(0.01, $hard);
        self::assertLessThan(0.1 * $hard, self::hardLeaks(Ranker::rank($space, [...$check, ...Implied::holds(self::$house, $check, $tables)])));
    }

    public function testWhatShowsNoSupplyImpliesNothing(): void
    {
        $space = self::space(['residual-trip']);
        $tables = static fn (Measurement $watched): PredictionTable => Predictor::table(self::$house, $watched, $space);
        $of = static fn (Evidence ...$evidence): array => Implied::holds(self::$house, array_values($evidence), $tables);
        self::assertSame([], $of(self::piece(null, 'r1-r2:c', $space)), 'dead');
        self::assertSame([], $of(self::piece(null, 'polarity-live:c.front:N-E', $space)), 'neutral to earth is no supply');
        $plan = TestCatalogue::plans(self::$house)['polarity-live:c.front:L-N'];
        $dark = new Evidence('0', $plan->measurement, ReadingParser::parse('90', $plan->measurement->instrument), static fn (): PredictionTable => $tables($plan->measurement), '');
        self::assertSame([], $of($dark), 'less than the supply may be coupled');
        $doubted = new Evidence('0', $plan->measurement, ReadingParser::parse('230', $plan->measurement->instrument), static fn (): PredictionTable => $tables($plan->measurement), '', blunder: 0.5);
        self::assertSame([], $of($doubted));
        $seen = self::piece(null, 'holds-by-breaker:rcd-a:all', $space, '1');
        self::assertSame(['0~way1'], array_map(static fn (Evidence $piece): string => $piece->id, $of(self::piece(null, 'polarity-live:c.front:L-N', $space, '0'), $seen)), 'one that was watched itself needs no inference');
    }

    private static function hardLeaks(Ranking $ranking): float
    {
        $hard = 0.0;
        foreach ($ranking->standings as $standing) {
            foreach (\in_array($standing->hypothesis->id, ['line-earth-leak|a', 'line-earth-leak|b', 'line-earth-leak|c', 'line-earth-leak|d'], true) ? $standing->hypothesis->ohms() : [] as $step => $ohms) {
                $hard += $ohms <= 1000.0 ? $standing->probability * $standing->severities[$step] : 0.0;
            }
        }

        return $hard;
    }

    private function watching(string ...$seen): Ranking
    {
        $watch = TestCatalogue::plans(self::$house)['holds-by-breaker:rcd-a:all']->measurement;
        $space = self::space(['residual-trip']);

        return Ranker::rank($space, array_map(static fn (int $at, string $pattern): Evidence => new Evidence("$at", $watch, ReadingParser::parse($pattern, $watch->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $watch, $space), 'Device A'), array_keys(array_values($seen)), array_values($seen)));
    }

    /** @param non-empty-list<Hypothesis> $space */
    private static function piece(?Fault $fault, string $test, array $space, string $id = '0'): Evidence
    {
        $measurement = TestCatalogue::plans(self::$house)[$test]->measurement;
        $shown = (new Bench(self::$house, $measurement->state, $measurement->instrument, $measurement->connection))->read($fault?->change(self::$house));

        return new Evidence($id, $measurement, ReadingParser::parse(ReadingFormat::displayed($shown, $measurement->instrument), $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, $space), $test);
    }

    /** @return list<string> */
    private static function placesOf(string $circuit): array
    {
        $places = [];
        foreach (self::$house->parts as $part) {
            if ($circuit === self::$house->circuitOfPart($part->id)) {
                $places[] = $part->place;
            }
        }

        return $places;
    }
}
