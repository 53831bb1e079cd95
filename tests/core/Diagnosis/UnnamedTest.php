<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use YellowProbe\Diagnosis\Evidence;
use YellowProbe\Diagnosis\LikelihoodResult;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Unnamed;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Procedure\TestCatalogue;

/** A cause nobody thought of is somewhere, and disturbs what is read there. */
final class UnnamedTest extends Asked
{
    public function testItIsWhereTheOddReadingsAre(): void
    {
        // Three readings, each a cell that the sound house shows with probability 0.9; the broad one of a pattern of eight is 1/8.
        $evidence = [self::reading('0', ['ring']), self::reading('1', ['low']), self::reading('2', ['up'])];
        $fits = log(0.9);
        $odd = log(1e-6);
        [$log, $each, $places] = (new Unnamed($evidence))->of(new LikelihoodResult($fits + $odd + $fits, [$fits, $odd, $fits], [], []));

        $touched = static fn (float $sound): float => 0.3 / 8.0 + 0.7 * $sound;
        $byHand = [
            '*' => 0.2 * $touched(0.9) * $touched(1e-6) * $touched(0.9),
            'ring' => 0.2 * $touched(0.9) * 1e-6 * 0.9,
            'low' => 0.2 * 0.9 * $touched(1e-6) * 0.9,
            'up' => 0.2 * 0.9 * 1e-6 * $touched(0.9),
            // Three of at least four circuits were read on: a fifth of it is elsewhere.
            '' => 0.2 * 0.9 * 1e-6 * 0.9,
        ];
        self::assertEqualsWithDelta(log(array_sum($byHand)), $log, 1e-12);
        foreach ($byHand as $where => $weight) {
            self::assertEqualsWithDelta($weight / array_sum($byHand), $places[$where], 1e-12, $where);
        }
        self::assertEqualsWithDelta(log(0.9), $each[0], 1e-12, 'elsewhere it is as it should be');
        self::assertEqualsWithDelta(log($touched(1e-6)), $each[1], 1e-12);
    }

    public function testOddReadingsOnTwoCircuitsAreNoLocalCause(): void
    {
        $evidence = [self::reading('0', ['ring']), self::reading('1', ['low'])];
        $odd = log(1e-6);
        [, , $places] = (new Unnamed($evidence))->of(new LikelihoodResult(2.0 * $odd, [$odd, $odd], [], []));
        self::assertGreaterThan(0.99, $places['*'], 'one cause that reaches both is before them');
    }

    public function testWhatItDisturbsFollowsFromWhereItIs(): void
    {
        $places = ['*' => 0.1, 'ring' => 0.8, 'low' => 0.06, '' => 0.04];
        self::assertEqualsWithDelta(0.3 * 0.9, Unnamed::disturbs($places, ['ring']), 1e-12);
        self::assertEqualsWithDelta(0.3 * 0.16, Unnamed::disturbs($places, ['low']), 1e-12);
        self::assertEqualsWithDelta(0.3 * 0.11, Unnamed::disturbs($places, ['never-read']), 1e-12);
        self::assertSame(0.3, Unnamed::disturbs($places, []), 'on no circuit: anywhere');
        self::assertSame(0.3, Unnamed::disturbs([], ['ring']));
    }

    /** @param list<string> $circuits */
    private static function reading(string $id, array $circuits): Evidence
    {
        $measurement = TestCatalogue::plan(self::$house, 'plug-in-check:c.front')->measurement;

        return new Evidence($id, $measurement, ReadingParser::parse('110', $measurement->instrument), static fn (): PredictionTable => PredictionTable::of([]), 'x', repaired: ["r$id"], circuits: $circuits);
    }
}
