<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Between;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\PairRows;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Shown;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** What two faults show together moves as the nearer of what either shows alone. */
final class PairRowsTest extends TestCase
{
    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = Houses::demo('panel-with-multiwire');
    }

    /** @return array<string, Hypothesis> causes of one severity, by id */
    private static function singles(): array
    {
        $singles = [];
        foreach (HypothesisSpace::of(self::$house, Houses::rates()) as $one) {
            if (null !== $one->kind && !$one->intermittent && 1 === $one->severities()) {
                $singles[$one->id] = $one;
            }
        }

        return $singles;
    }

    public function testByHand(): void
    {
        $ids = \array_slice(array_keys(self::singles()), 0, 2);
        [$one, $other] = [self::singles()[$ids[0]], self::singles()[$ids[1]]];
        $pair = Hypothesis::pair($one, $other, 1e-4);
        $row = static fn (float $z, float $sigma, float $supply, float $insulation): Row => new Row(Shown::value(sinh($z)), $z, $sigma, ['supply' => $supply, 'insulation' => $insulation]);
        $sound = $row(5.0, 0.01, 0.02, 0.0);
        $alone = PredictionTable::of([Hypothesis::SOUND => [$sound], $one->stem => [$row(4.0, 0.02, 0.0, 0.3)], $other->stem => [$row(1.0, 0.5, 0.4, 0.0)]]);
        $together = static fn (Row $shown): Row => PairRows::of($alone, PredictionTable::of([Hypothesis::SOUND => [$sound], $pair->stem => [$shown]]), [$pair])->there($pair)[0];

        $near = $together(new Row(Shown::value(sinh(4.1)), 4.1, 0.01, ['supply' => 0.02, 'severity' => 0.07]));
        self::assertSame(4.1, $near->z);
        self::assertSame(['supply' => 0.0, 'insulation' => 0.3, 'severity' => 0.07], $near->moves, 'as the one that is 0.1 away; how its own severity moves it stays');
        self::assertEqualsWithDelta(sqrt(0.02 ** 2 + 0.01 ** 2), $near->sigma, 1e-12, 'and a tenth of the distance unsaid');
        self::assertSame(['supply' => 0.4, 'insulation' => 0.0], $together($row(2.0, 0.01, 0.02, 0.0))->moves, 'as the other');
        self::assertSame(['supply' => 0.02, 'insulation' => 0.0], $together($row(5.2, 0.01, 0.02, 0.0))->moves, 'as the house as surveyed');
        $nothing = new Row(Shown::nothing(), 0.0, 1.0, []);
        self::assertEquals($nothing, $together($nothing));
        $unknown = PairRows::of(PredictionTable::of([Hypothesis::SOUND => [$sound]]), PredictionTable::of([Hypothesis::SOUND => [$sound], $pair->stem => [$near]]), [$pair]);
        self::assertEquals($near, $unknown->there($pair)[0], 'where nothing is known of either alone it stays as it is');
    }

    public function testAnEarthThatHangsInTheAirMovesWithItsCableWhateverElseIsWrong(): void
    {
        $singles = self::singles();
        $pair = Hypothesis::pair($singles['line-neutral-reversed|den'], $singles['open-cpc|den-2/E@2'], 1e-4);
        [$exact, $sketched, $made] = self::rows('polarity-live:bath.front:L-E', [$pair]);
        $cable = static fn (PredictionTable $table): float => ($table->there($pair)[0]->moves['length:den-lights'] ?? 0.0) / $table->there($pair)[0]->sigma;
        self::assertGreaterThan(4.0, abs($cable($exact)), 'half the volts stand on what the cable couples: four spreads of a reading');
        self::assertLessThan(0.01, abs($cable($sketched)), 'a sketch moves as the house as surveyed, which has an earth there');
        self::assertEqualsWithDelta($cable($exact), $cable($made), 0.25 * abs($cable($exact)));
    }

    public function testTheyMoveMoreAsTheyWouldWorkedOut(): void
    {
        $singles = array_values(self::singles());
        $pairs = [];
        foreach ($singles as $at => $one) {
            $other = $singles[(7 * $at + 13) % \count($singles)];
            if (0 === $at % 3 && [] === array_intersect($one->site->things ?? [], $other->site->things ?? [])) {
                $pairs[] = Hypothesis::pair($one, $other, 1e-4);
            }
        }
        self::assertNotSame([], $pairs);
        $sketch = $own = $compared = 0;
        foreach (['polarity-live:bath.front:L-E', 'polarity-live:den.top:N-E', 'zs:bath.front:L-E', 'insulation:yard-outlet:L–E'] as $test) {
            [$exact, $sketched, $made] = self::rows($test, $pairs);
            foreach ($pairs as $pair) {
                $moves = static fn (PredictionTable $table): array => array_diff_key($table->there($pair)[0]->moves, array_flip(Between::FACTORS));
                $off = static fn (array $ours): float => array_sum(array_map(static fn (string $factor): float => abs(($ours[$factor] ?? 0.0) - ($moves($exact)[$factor] ?? 0.0)), array_keys($ours + $moves($exact))));
                $sketch += $off($moves($sketched));
                $own += $off($moves($made));
                ++$compared;
            }
        }
        self::assertGreaterThan(100, $compared);
        self::assertLessThan(0.5 * $sketch, $own);
    }

    /**
     * @param non-empty-list<Hypothesis> $pairs
     *
     * @return array{PredictionTable, PredictionTable, PredictionTable} worked out, sketched, and sketched with the moves of what lies nearest
     */
    private static function rows(string $test, array $pairs): array
    {
        $measurement = (TestCatalogue::plans(self::$house)[$test] ?? self::fail("There is no test $test."))->measurement;
        $causes = [Hypothesis::sound(1.0), ...$pairs];
        $sketched = Predictor::sketch(self::$house, $measurement, $causes);

        return [Predictor::table(self::$house, $measurement, $causes), $sketched, PairRows::of(Predictor::table(self::$house, $measurement, HypothesisSpace::of(self::$house, Houses::rates())), $sketched, $pairs)];
    }
}
