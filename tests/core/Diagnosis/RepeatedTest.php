<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Candidate;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Likelihood;
use YellowProbe\Diagnosis\Noise;
use YellowProbe\Diagnosis\Planner;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Ranker;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Repeated;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** What fits nothing is read again: the same once more is the house, something else was a slip. */
final class RepeatedTest extends TestCase
{
    private const SOUND = [['zs:a.front:L-N', '0.35'], ['zs:b.front:L-N', '0.36'], ['polarity-live:c.front:L-N', '229.0']];
    private const WILD = ['polarity-live:a.front:L-N', '10.5'];

    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::ringAndLights();
    }

    public function testASecondReadingThatIsRightTakesTheFirstForASlipAndTheSameOneMakesItTheHouses(): void
    {
        $wild = self::ranked(...self::SOUND, ...[self::WILD]);
        $else = $wild->probability(Hypothesis::ELSE);
        self::assertGreaterThan(0.5, $wild->doubt(3), 'nothing of the catalogue reads a twentieth of the supply at one socket of a ring');
        self::assertLessThan(0.1, $wild->doubt(0));

        $right = self::ranked(...self::SOUND, ...[self::WILD, [self::WILD[0], '229.2']]);
        $elsewhere = self::ranked(...self::SOUND, ...[self::WILD, ['polarity-live:b.front:L-N', '229.2']]);
        self::assertLessThan(0.4 * $else, $right->probability(Hypothesis::ELSE));
        self::assertLessThan($elsewhere->probability(Hypothesis::ELSE), $right->probability(Hypothesis::ELSE), 'another socket says less of it');

        $same = self::ranked(...self::SOUND, ...[self::WILD, [self::WILD[0], '10.4']]);
        self::assertGreaterThan($else, $same->probability(Hypothesis::ELSE));
        self::assertGreaterThan(0.95, $same->probability(Hypothesis::ELSE));
    }

    public function testWhatIsLeftUnsaidOfATestIsTheSameEveryTime(): void
    {
        // A row known to 0.3 on the line, of which the tester's noise is little, and the same read twice: a sum over what is common to both.
        $display = new Display(Instruments::get('low-ohm'));
        $row = new Row(Shown::value(0.5), $display->z(0.5), 0.3, []);
        [$alone, $shared] = Repeated::shared($row->shown, $row->sigma, $display);
        self::assertLessThan(0.1, $alone);
        self::assertEqualsWithDelta(0.3, hypot($alone, $shared), 1e-12);
        $pieces = static fn (string ...$at): array => array_map(static function (string $typed, string $lead) use ($row): Evidence {
            $table = PredictionTable::of([Hypothesis::SOUND => [new Row(Shown::value(5.0), 2.0, 0.3, [])], 'others' => [$row]], []);

            return new Evidence($typed, new Measurement(State::fromArray([]), Instruments::get('low-ohm'), Connection::leads('a', $lead)), ReadingParser::parse($typed, Instruments::get('low-ohm')), static fn (): PredictionTable => $table, 'somewhere');
        }, ['0.62', '0.63'], $at);
        $own = static function (Evidence $piece, float $place, float $sigma) use ($display): float {
            [$low, $high] = $display->cell($piece->reading);

            return (1.0 - Likelihood::BLUNDER) * Noise::ofTester(sinh($low), sinh($high), $place, $sigma) + Likelihood::BLUNDER * $display->broad($piece->reading);
        };
        $same = $pieces('b', 'b');
        $sum = 0.0;
        for ($step = -600; $step <= 600; ++$step) {
            $place = $row->z + $shared * $step / 100.0;
            $sum += exp(-0.5 * ($step / 100.0) ** 2) / sqrt(2.0 * \M_PI) / 100.0 * $own($same[0], $place, $alone) * $own($same[1], $place, $alone);
        }
        self::assertEqualsWithDelta(log($sum), (new Likelihood($same))->of([1, 1])->log, 0.15);

        // Read at two points, each is new.
        $elsewhere = $pieces('b', 'c');
        self::assertEqualsWithDelta(log($own($elsewhere[0], $row->z, 0.3) * $own($elsewhere[1], $row->z, 0.3)), (new Likelihood($elsewhere))->of([1, 1])->log, 1e-9);
        self::assertGreaterThan((new Likelihood($elsewhere))->of([1, 1])->log + 1.0, (new Likelihood($same))->of([1, 1])->log);
        self::assertSame([], Repeated::factors($elsewhere));
    }

    public function testItIsAskedForOnceMoreAndNotAThirdTime(): void
    {
        $asked = static fn (Ranking $ranking): array => array_map(static fn (Candidate $candidate): string => $candidate->plan->id, Planner::sketching(self::$house)->next($ranking, State::resting(self::$house)));
        $wild = $asked(self::ranked(...self::SOUND, ...[self::WILD]));
        self::assertContains(self::WILD[0], $wild);
        self::assertSame([], array_intersect(array_column(self::SOUND, 0), $wild), 'what fits is not read again');
        self::assertNotContains(self::WILD[0], $asked(self::ranked(...self::SOUND, ...[self::WILD, [self::WILD[0], '229.2']])));
        self::assertNotContains(self::WILD[0], $asked(self::ranked(...self::SOUND, ...[self::WILD, [self::WILD[0], '10.4']])));
    }

    public function testWhatIsNoNumberIsTheSameOrNot(): void
    {
        $pieces = static fn (string $test, string ...$typed): array => self::evidence(...array_map(static fn (string $raw): array => [$test, $raw], $typed));
        [$first, $same, $other] = $pieces('plug-in-check:a.front', '100', '100', '110');
        self::assertGreaterThan(0.9, Repeated::probability($same, $first));
        self::assertLessThan(0.05, Repeated::probability($other, $first));
        [$over, $again, $number] = $pieces('zs:a.front:L-N', 'OL', 'OL', '0.35');
        self::assertGreaterThan(0.9, Repeated::probability($again, $over));
        self::assertLessThan(0.05, Repeated::probability($number, $over));
        self::assertNull(Repeated::row($over));
        [$volts, $near, $far] = $pieces('polarity-live:a.front:L-N', '10.5', '10.4', '229.0');
        self::assertGreaterThan(10.0 * Repeated::probability($far, $volts), Repeated::probability($near, $volts));
    }

    /** @param array{string, string} ...$readings test, what was typed */
    private static function ranked(array ...$readings): Ranking
    {
        return Ranker::rank(self::space(), self::evidence(...$readings));
    }

    /**
     * @param array{string, string} ...$readings
     *
     * @return list<Evidence>
     */
    private static function evidence(array ...$readings): array
    {
        $evidence = [];
        foreach (array_values($readings) as $at => [$test, $typed]) {
            $measurement = TestCatalogue::plans(self::$house)[$test]->measurement;
            $evidence[] = new Evidence("$at", $measurement, ReadingParser::parse($typed, $measurement->instrument), static fn (): PredictionTable => Predictor::table(self::$house, $measurement, self::space()), $test);
        }

        return $evidence;
    }

    /** @return non-empty-list<Hypothesis> */
    private static function space(): array
    {
        return HypothesisSpace::of(self::$house, Houses::rates(), new Story(['flicker']));
    }
}
