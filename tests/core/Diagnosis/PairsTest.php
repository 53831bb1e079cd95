<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\KeptRanking;
use YellowProbe\Diagnosis\Misfit;
use YellowProbe\Diagnosis\Pairs;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Evaluation\Dice;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\Specimen;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\Watched;
use YellowProbe\Tests\Houses;

final class PairsTest extends TestCase
{
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    public function testTwoFaultsThatNoSingleExplainsAreFoundTogether(): void
    {
        // A socket wired the wrong way round and a wet one on the same ring, and their readings.
        $truth = Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house)->and(Fault::at(self::$house, 'line-earth-leak', 'd', 1e4)->change(self::$house));
        $evidence = self::evidence($truth, ['plug-in-check:c.front', 'polarity-live:c.front:N-E', 'plug-in-check:b.front', 'insulation:ring:L–E', 'insulation:ring:N–E', 'residual-clamp:ring']);
        $singles = Ranker::rank(self::space(), $evidence);
        $ranking = Pairs::rank(self::$house, self::space(), $evidence);

        $places = array_map(static fn (Standing $standing): array => [$standing->hypothesis->both[0]->kind?->slug() ?? '', $standing->hypothesis->both[1]->kind?->slug() ?? ''], array_values(array_filter(\array_slice($ranking->standings, 0, 3), static fn (Standing $standing): bool => [] !== $standing->hypothesis->both)));
        self::assertContains(['line-earth-leak', 'line-neutral-reversed'], $places);
        self::assertEqualsWithDelta(1.0, array_sum(array_map(static fn (Standing $standing): float => $standing->probability, $ranking->standings)), 1e-9);
        self::assertGreaterThan(0.5, array_sum(array_map(static fn (Standing $standing): float => [] === $standing->hypothesis->both ? 0.0 : $standing->probability, $ranking->standings)));
        self::assertLessThan(0.99, $singles->standings[0]->probability, 'no single is believed alone');
        $lead = $ranking->suspects()[0];
        self::assertStringContainsString(' and ', $lead->title());
        self::assertNotSame([], $lead->reasons(), 'a pair says what speaks for it');

        // What is known of the singles is taken over: ranked from nothing it is the same.
        $pairs = array_values(array_filter(array_map(static fn (Standing $standing): Hypothesis => $standing->hypothesis, $ranking->standings), static fn (Hypothesis $one): bool => [] !== $one->both));
        $worked = array_values(array_filter($pairs, $ranking->evidence[0]->table()->has(...)));
        self::assertNotSame([], $worked);
        $anew = Ranker::rank([...self::space(), ...$pairs], Pairs::among(self::$house, $worked, $evidence));
        foreach ([...self::space(), ...$pairs] as $cause) {
            self::assertEqualsWithDelta($anew->probability($cause->id), $ranking->probability($cause->id), 1e-3, $cause->id);
        }

        // Kept and restored, it is the same, its pairs among it.
        $kept = unserialize(serialize(KeptRanking::of($ranking)));
        self::assertInstanceOf(KeptRanking::class, $kept);
        $again = $kept->restored(self::$house, self::space(), array_reverse($evidence));
        self::assertSame($lead->reasons(), $again->suspects()[0]->reasons());
    }

    public function testTwoDevicesThatTripEachByItselfAskForTwoFaults(): void
    {
        // Each outcome is the likely one of its own fault: no reading is odd by itself, and yet no single fault makes both trip.
        $house = Houses::twoCircuits();
        $space = HypothesisSpace::of($house, Houses::rates(), new Story(['overcurrent-trip']));
        $watched = static function (string $device, string $off) use ($house): Measurement {
            $state = State::resting($house)->after(new StateChange('set', $off, 'off'));

            return Watched::device($house->parts[$device], $state) ?? self::fail("$device is not watched");
        };
        $evidence = [];
        foreach ([['way1', 'way2'], ['way2', 'way1'], ['way1', 'way2'], ['way2', 'way1']] as $at => [$device, $off]) {
            $measurement = $watched($device, $off);
            $evidence[] = new Evidence("trip $at", $measurement, ReadingParser::parse(DeviceWatch::TRIPS, $measurement->instrument), static fn (): PredictionTable => Predictor::table($house, $measurement, $space), "$device without $off");
        }
        $singles = Ranker::rank($space, $evidence);
        self::assertGreaterThan($singles->probability($singles->standings[1]->hypothesis->id), $singles->probability(Hypothesis::ELSE), 'singles fail');

        $ranking = Pairs::rank($house, $space, $evidence);
        $lead = $ranking->standings[0]->hypothesis;
        self::assertCount(2, $lead->both, $lead->id);
        self::assertLessThan(0.05, $ranking->probability(Hypothesis::ELSE));
        self::assertGreaterThan(0.9, array_sum(array_map(static fn (Standing $standing): float => [] === $standing->hypothesis->both ? 0.0 : $standing->probability, $ranking->standings)));
    }

    public function testOtherSeveritiesOfAPairAreKeptApart(): void
    {
        $of = static fn (string $id): Hypothesis => array_values(array_filter(self::space(), static fn (Hypothesis $one): bool => $one->id === $id))[0];
        $pair = static fn (int ...$severities): Hypothesis => Hypothesis::pair($of('line-neutral-reversed|c'), $of('line-earth-leak|d')->narrowed(array_values($severities)), 1e-4);
        $measurement = TestCatalogue::plans(self::$house)['insulation:ring:L–E']->measurement;
        $kept = Predictor::sketch(self::$house, $measurement, [Hypothesis::sound(1.0), $pair(4, 5)]);
        self::assertCount(2, $kept->rows($pair(4, 5)));
        self::assertSame($pair(4, 5)->id, $pair(8, 9, 10)->id, 'it is the same pair');
        self::assertFalse($kept->has($pair(8, 9, 10)), 'of which other rows are not known');
        self::assertSame(['line-earth-leak|d', 'line-neutral-reversed|c'], Hypothesis::repairsOf($pair(8, 9, 10)->stem));
        self::assertSame('line-earth-leak|d', $pair(4, 5)->after(['line-neutral-reversed|c'])->repair);
    }

    public function testOfTwoFaultsThatChangeAPatternTheOneShowsThatChangesItMost(): void
    {
        // Something pulls the line down by two volts, and a break before the point leaves it dark.
        $of = static fn (string $id): Hypothesis => array_values(array_filter(self::space(), static fn (Hypothesis $one): bool => $one->id === $id))[0];
        $pattern = static fn (float ...$levels): array => [new Row(Shown::levels(array_values($levels)), 0.0, 1.0, [])];
        [$little, $much] = [$of('appliance-short|kettle'), $of('open-line|ring-s-spur/L@1')];
        self::assertLessThan($much->id, $little->id, 'whichever is named first');
        foreach ([[$little, $much], [$much, $little]] as [$one, $other]) {
            $table = PredictionTable::of([Hypothesis::SOUND => $pattern(230.0, 230.0, 0.0), $one->stem => $pattern(228.0, 228.0, 0.0), $other->stem => $pattern(0.0, 0.0, 0.0)]);
            self::assertSame([0.0, 0.0, 0.0], $table->rows(Hypothesis::pair($one->around(0, 0), $other->around(0, 0), 1.0))[0]->shown->levels);
        }
    }

    public function testAtAnInspectionOneFaultSaysNothingOfAnother(): void
    {
        // P(a and b) = P(a) · P(b) / P(sound) where faults are found as if each were alone; of complaints, 14 houses have two where 82 have one.
        $second = static fn (string ...$symptoms): array => self::second(HypothesisSpace::of(self::$house, Houses::rates(), new Story(array_values($symptoms))));
        [$inspected, $sound] = $second(Story::INSPECTION);
        self::assertEqualsWithDelta(1.0 / $sound, $inspected, 1e-12);
        self::assertEqualsWithDelta(28.0 / 82.0, $second('tingle')[0], 1e-12);
        self::assertEqualsWithDelta(28.0 / 82.0, $second()[0], 1e-12, 'nothing told yet is no inspection');
        self::assertEqualsWithDelta(28.0 / 82.0, $second(Story::INSPECTION, 'tingle')[0], 1e-12);
    }

    /**
     * @param non-empty-list<Hypothesis> $space
     *
     * @return array{float, float} times the product of two faults' rates that they are there together, after either was put right; the sound house's rate
     */
    private static function second(array $space): array
    {
        $causes = array_column($space, null, 'id');
        [$one, $other] = [$causes['line-neutral-reversed|c'], $causes['line-earth-leak|d']];
        $pair = "$other->id&$one->id";
        $few = array_map(static fn (Hypothesis $cause): Hypothesis => $cause->after([$one->id]), [$causes[Hypothesis::SOUND], $causes[Hypothesis::ELSE], $one, $other]);
        foreach (Pairs::rank(self::$house, $few, self::evidence(null, ['plug-in-check:c.front']))->standings as $standing) {
            if ($pair === $standing->hypothesis->id) {
                return [$standing->hypothesis->prior / $one->prior / $other->prior, $causes[Hypothesis::SOUND]->prior];
            }
        }
        self::fail("$pair is not weighed.");
    }

    public function testWhatOneFaultExplainsGrowsNoPairsNorDoesOneBlunder(): void
    {
        $fault = Fault::at(self::$house, 'line-neutral-reversed', 'c')->change(self::$house);
        $evidence = self::evidence($fault, ['plug-in-check:c.front', 'polarity-live:c.front:N-E', 'plug-in-check:b.front', 'zs:a.front:L-E']);
        self::assertSame([], Pairs::grown(Ranker::rank(self::space(), $evidence)));
        $measurement = TestCatalogue::plans(self::$house)['r1-r2:a']->measurement;
        $evidence[] = new Evidence('99', $measurement, ReadingParser::parse('64', $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space()), 'a slip');
        self::assertSame([], Pairs::grown(Ranker::rank(self::space(), $evidence)));
        self::assertSame([], Pairs::grown(Ranker::rank(self::space(), [])), 'nothing read, nothing to explain');
    }

    public function testAPairIsTheSameWhicheverIsNamedFirst(): void
    {
        $space = self::space();
        $one = Hypothesis::pair($space[3], $space[9], 0.1);
        $other = Hypothesis::pair($space[9], $space[3], 0.1);
        self::assertSame($one->id, $other->id);
        self::assertSame($one->words(), $other->words());
        self::assertSame(\count($space[3]->ohms()) * \count($space[9]->ohms()), \count($one->changes(self::$house)));
    }

    public function testReadingsDrawnAsExpectedAreOddInAsManyCasesAsTheySay(): void
    {
        // Five readings that share a length: the least of the squares is χ², without its largest term it is a little less.
        $instrument = Instruments::get('low-ohm');
        $display = new Display($instrument);
        $dice = new Dice(11);
        $odd = ['all as expected' => 0, 'two far off' => 0];
        for ($draw = 0; $draw < 300; ++$draw) {
            foreach (array_keys($odd) as $case) {
                $length = $dice->normal();
                $evidence = $rows = [];
                for ($at = 0; $at < 5; ++$at) {
                    $row = new Row(Shown::value(5.0), $display->z(5.0), 0.02, ['length' => 0.1]);
                    $z = $row->z + 0.1 * $length + 0.02 * $dice->normal() + ('two far off' === $case && $at < 2 ? 0.3 : 0.0);
                    $evidence[] = new Evidence("$at", new Measurement(State::fromArray([]), $instrument, Connection::leads('a', 'b')), ReadingParser::parse(\sprintf('%.3f', $display->unit * sinh($z)), $instrument), static fn (): PredictionTable => PredictionTable::of([]), '');
                    $rows[] = $row;
                }
                $odd[$case] += (int) (Misfit::tail($evidence, $rows) < 0.01);
            }
        }
        self::assertLessThan(6, $odd['all as expected'], 'of 300, about one in a hundred or fewer');
        self::assertGreaterThan(295, $odd['two far off']);
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        return HypothesisSpace::of(self::$house, Houses::rates(), new Story(['none']));
    }

    /**
     * @param list<string> $tests
     *
     * @return list<Evidence>
     */
    private static function evidence(?Change $truth, array $tests): array
    {
        $plans = TestCatalogue::plans(self::$house);
        $evidence = [];
        foreach ($tests as $at => $test) {
            $measurement = $plans[$test]->measurement;
            $shown = (new Bench(self::$house, $measurement->state, $measurement->instrument, $measurement->connection))->read($truth);
            $evidence[] = new Evidence(\sprintf('%02d', $at), $measurement, ReadingParser::parse((new Specimen($measurement->instrument, 3 + $at))->display($shown), $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space()), $test);
        }

        return $evidence;
    }
}
