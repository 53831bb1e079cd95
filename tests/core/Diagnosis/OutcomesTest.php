<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Diagnosis\Noise;
use YellowProbe\Diagnosis\Outcomes;
use YellowProbe\Diagnosis\Row;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Shown;

final class OutcomesTest extends TestCase
{
    public function testWhatLiesOnBothSidesOfAnEdgeIsAllAndEachAsItIsBetweenEdges(): void
    {
        foreach ([[0.01, 0.0], [0.0001, 0.04], [0.02, 0.02]] as [$own, $factors]) {
            foreach ([-1.5, 0.4, 1.0, 1.02, 3.0, 12.0] as $edge) {
                [$below, $above] = Noise::beside(sinh($edge), 1.0, $own, $factors);
                self::assertEqualsWithDelta(Noise::of(-\INF, sinh($edge), 1.0, $own, $factors), $below, 1e-7);
                self::assertEqualsWithDelta(Noise::of(sinh($edge), \INF, 1.0, $own, $factors), $above, 1e-7);
                self::assertEqualsWithDelta(1.0, $below + $above, 1e-12);
            }
        }
    }

    public function testTheOutcomesOfATestSumToOneAndTellRowsApart(): void
    {
        // A loop of 0.4 Ω, one of 1.4 Ω and an open one, each known to five in a hundred.
        $display = new Display(Instruments::get('loop-2-wire'));
        $row = static fn (float $ohms): Row => new Row(Shown::value($ohms), $display->z($ohms), 0.02, ['length' => 0.05]);
        $rows = [$row(0.4), $row(1.4), new Row(Shown::over(1e6), $display->z(1e6), Row::LEAST, [])];
        $outcomes = new Outcomes($display, $rows, []);
        $likeliest = [];
        foreach ($rows as $one) {
            $probabilities = $outcomes->of($one);
            self::assertEqualsWithDelta(1.0, array_sum($probabilities), 1e-9);
            self::assertGreaterThanOrEqual(0.0, min([1.0, ...$probabilities]));
            $most = max([0.0, ...$probabilities]);
            $likeliest[] = array_search($most, $probabilities, true);
            self::assertGreaterThan(0.9, $most);
        }
        self::assertCount(3, array_unique($likeliest));
        self::assertEqualsWithDelta(1.0, array_sum($outcomes->broad()), 1e-9);
    }
}
