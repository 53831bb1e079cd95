<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use YellowProbe\Diagnosis\Between;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Diagnosis\Steps;
use YellowProbe\Fault\Change;
use YellowProbe\Instrument\Shown;
use YellowProbe\Procedure\TestCatalogue;

/** Which severities are worked out, and that the others lie where they would. */
final class StepsTest extends Asked
{
    /**
     * A leak of 10⁶ to 10⁻¹ Ω on a line of σ 0.1: nothing up to a place, then a slope, then a short.
     *
     * @return list<float> z by severity
     */
    private static function curve(int $count): array
    {
        return array_map(static fn (int $step): float => 3.0 / (1.0 + exp(2.0 * (6.0 - $step))), range(0, $count - 1));
    }

    /**
     * @param list<float> $curve
     *
     * @return array{list<Row>, list<int>, list<int>} rows, the severities that were worked out, and those whose moves were given
     */
    private static function stepped(array $curve): array
    {
        $changes = array_map(static fn (int $at): Change => new Change(["element$at"]), array_keys($curve));
        $asked = $given = [];
        $rows = Steps::rows($changes, static function (?Change $change, ?Row $between) use ($changes, $curve, &$asked, &$given): Row {
            $asked[] = $at = (int) array_search($change, $changes, true);
            if (null !== $between) {
                $given[] = $at;
            }

            return new Row(Shown::value($curve[$at]), $curve[$at], $between->sigma ?? 0.1, $between->moves ?? ['supply' => 0.01 * $curve[$at]]);
        });
        sort($asked);
        sort($given);

        return [$rows, $asked, $given];
    }

    public function testWhatLiesBetweenTwoAlikeIsNotWorkedOut(): void
    {
        [$rows, $asked, $given] = self::stepped(self::curve(14));
        // 0 to 4 differ by 0.05 at most of a spread of 0.1: by 0.5 spreads. 0 and 2 are alike, 2 and 4 are not.
        self::assertSame([0, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 13], $asked);
        self::assertSame([2, 3, 5, 7, 9, 10], $given, 'of 4 and 8, 0.29 spreads apart by the supply, 6 is worked out as a whole');
        self::assertSame($rows[0], $rows[1]);
        self::assertSame($rows[10], $rows[11]);
        foreach (self::curve(14) as $at => $z) {
            self::assertEqualsWithDelta($z, $rows[$at]->z, 0.05 * 0.1, "severity $at");
        }
    }

    public function testEveryNumberOfSeverities(): void
    {
        self::assertSame([], Steps::rows([], static fn (): Row => self::fail('nothing to work out')));
        for ($count = 1; $count <= 14; ++$count) {
            $curve = self::curve($count);
            [$rows, $asked] = self::stepped($curve);
            self::assertSame(array_keys($curve), array_keys($rows));
            self::assertSame([0, $count - 1], [$asked[0], end($asked)], 'the mildest and the worst are always worked out');
            self::assertSame($asked, array_values(array_unique($asked)), 'none twice');
            self::assertEqualsWithDelta($curve, array_map(static fn (Row $row): float => $row->z, $rows), 0.05 * 0.1);
        }
    }

    public function testMovesThatDifferAreWorkedOut(): void
    {
        // The supply moves the worst by a whole spread more than the mildest.
        $rows = [];
        $row = static fn (?Change $change, ?Row $between): Row => $rows[] = new Row(Shown::value(1.0), 1.0, 0.1, ['supply' => null === $between ? 0.1 * (float) $change?->joint : 9.0]);
        $stepped = Steps::rows([new Change(joint: '0'), new Change(joint: '0.5'), new Change(joint: '1')], $row);
        self::assertSame([0.0, 0.05, 0.1], array_map(static fn (Row $one): float => $one->moves['supply'], $stepped));
    }

    public function testInAHouseTheyLieWhereEachByItselfLies(): void
    {
        $compared = $shared = 0;
        $space = array_values(array_filter(self::space(['residual-trip']), static fn (Hypothesis $one): bool => $one->severities() > 2 && [] === $one->both && !$one->intermittent));
        foreach (['zs:c.front:L-E', 'residual-clamp:rcd-a', 'insulation:ring:L–E', 'plug-in-check:c.front'] as $id) {
            $plans = TestCatalogue::plans(self::$house);
            $measurement = ($plans[$id] ?? self::fail("No test is called $id; there are ".implode(', ', \array_slice(array_keys($plans), 0, 400))))->measurement;
            $whole = Predictor::table(self::$house, $measurement, $space);
            for ($severity = 0; $severity < 14; ++$severity) {
                $each = Predictor::table(self::$house, $measurement, array_map(static fn (Hypothesis $one): Hypothesis => $one->narrowed([min($severity, $one->severities() - 1)]), $space));
                foreach (array_filter($space, static fn (Hypothesis $one): bool => $one->severities() > $severity) as $hypothesis) {
                    $stepped = $whole->rows($hypothesis)[$severity];
                    $exact = $each->rows($hypothesis)[0];
                    self::assertSame($exact->shown->kind, $stepped->shown->kind, "$id $hypothesis->id $severity");
                    self::assertEqualsWithDelta($exact->z, $stepped->z, 0.05 * $exact->sigma + 1e-3, "$id $hypothesis->id $severity");
                    foreach (array_diff_key($exact->moves, array_flip(Between::FACTORS)) as $factor => $move) {
                        self::assertEqualsWithDelta($move, $stepped->moves[$factor], 0.2 * $exact->sigma + 1e-3, "$id $hypothesis->id $severity $factor");
                    }
                    ++$compared;
                    $shared += $severity > 0 && $stepped->z === $whole->rows($hypothesis)[$severity - 1]->z ? 1 : 0;
                }
            }
        }
        self::assertGreaterThan(1000, $compared);
        self::assertGreaterThan(200, $shared, 'many are not worked out');
    }
}
