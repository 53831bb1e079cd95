<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Diagnosis\Rows;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;

final class RowsTest extends TestCase
{
    public function testRowsOfUnlikeFactorsStandBehindEachOtherAsTheyWere(): void
    {
        $own = [new Row(Shown::value(0.5, 2.0), 1.0, 0.1, ['length' => 0.3, 'supply' => -0.4]), new Row(Shown::nothing(), 0.0, 1.0, [])];
        $others = [new Row(Shown::over(3e3), 7.0, 0.2, ['load' => 0.6]), new Row(Shown::levels([1.0, 0.5]), 0.0, 1.0, []), new Row(Shown::value(0.7), 1.2, 0.1, ['supply' => 0.1, 'length' => 0.2])];
        $joined = unserialize(serialize(Rows::of($own)->and(Rows::of($others))));
        self::assertInstanceOf(Rows::class, $joined);

        self::assertCount(5, $joined);
        foreach ([...$own, ...$others] as $place => $row) {
            $again = $joined->row($place);
            self::assertEquals($row->shown, $again->shown);
            self::assertEqualsCanonicalizing($row->moves, $again->moves);
            self::assertSame([$row->z, $row->sigma], [$again->z, $again->sigma]);
            self::assertSame([$row->z, $row->sigma], [$joined->zs[$place], $joined->sigmas[$place]]);
            self::assertSame($row->shown->kind, $joined->kind($place));
        }
        self::assertSame(ShownKind::Over, $joined->kind(2));
        // 0.3² + 0.4², none, 0.6², none, 0.1² + 0.2²; and with the lengths alone free.
        self::assertEqualsWithDelta([0.25, 0.0, 0.36, 0.0, 0.05], $joined->freed(['length' => 0, 'supply' => 1, 'load' => 2]), 1e-12);
        self::assertEqualsWithDelta([0.09, 0.0, 0.0, 0.0, 0.04], $joined->freed(['length' => 0]), 1e-12);
    }

    public function testARowMovedByAnotherFactorStandsBehindAsItWasOtherwise(): void
    {
        $own = [new Row(Shown::value(0.5, 2.0), 1.0, 0.1, ['severity' => 0.3, 'supply' => -0.4]), new Row(Shown::nothing(), 0.0, 1.0, []), new Row(Shown::over(3e3), 7.0, 0.2, ['severity' => 0.6])];
        foreach ([Rows::of($own), unserialize(serialize(Rows::of($own)))] as $rows) {
            self::assertInstanceOf(Rows::class, $rows);
            [$more, $found] = $rows->moved([2, 1, 0], 'severity', 'other severity');
            self::assertSame([2 => 3, 0 => 4], $found, 'what the factor does not move is left alone');
            self::assertCount(5, $more);
            self::assertEqualsCanonicalizing($own[0]->moves, $more->row(0)->moves);
            self::assertEqualsCanonicalizing(['supply' => -0.4, 'other severity' => 0.3], $more->row(4)->moves);
            self::assertSame(['other severity' => 0.6], $more->row(3)->moves);
            self::assertSame([1.0, 0.1, 0.5, 2.0], [$more->row(4)->z, $more->row(4)->sigma, $more->row(4)->shown->value, $more->row(4)->shown->through]);
            self::assertSame(ShownKind::Over, $more->kind(3));
            // 0.3² + 0.4², and with the other severity alone free.
            self::assertEqualsWithDelta(0.25, $more->reach(4), 1e-12);
            self::assertEqualsWithDelta([0.0, 0.0, 0.0, 0.36, 0.09], $more->freed(['other severity' => 0]), 1e-12);
        }
        self::assertSame([], Rows::of($own)->moved([0], 'load', 'other severity')[1]);
    }

    public function testATableJoinsAnotherAtTheSoundRow(): void
    {
        $row = static fn (float $z): Row => new Row(Shown::value($z), $z, 0.1, []);
        [$sound, $same] = [$row(1.0), $row(1.0)];
        $table = PredictionTable::of([Hypothesis::SOUND => [$sound], 'open-cpc|1' => [$row(2.0)], 'open-line|1' => [$sound, $sound]]);
        $other = PredictionTable::of([Hypothesis::SOUND => [$same], 'open-cpc|1' => [$row(9.0)], 'open-neutral|1' => [$same, $row(3.0)], 'line-earth-leak|1' => [$same]]);
        $joined = $table->with($other)->after(['open-neutral|1']);
        $rows = static fn (string $stem): array => array_map(static fn (Row $one): float => $one->z, $joined->rows(Hypothesis::fault(FaultCatalogue::all()[explode('|', $stem)[0]], new FaultSite('1', [], [], ''), 1.0)));

        self::assertSame([2.0], $rows('open-cpc|1'), 'what the one knows the other does not change');
        self::assertSame([1.0, 1.0], $rows('open-line|1'));
        self::assertSame([1.0, 1.0], $rows('open-neutral|1'), 'what is repaired shows what a sound house shows');
        self::assertSame([1.0], $rows('line-earth-leak|1'));
    }
}
