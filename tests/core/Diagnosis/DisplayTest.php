<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Display;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;

final class DisplayTest extends TestCase
{
    public function testANumberWhereNoneCanBeHadIsAsUnlikelyAsItsPlaceOnTheDisplayIsNarrow(): void
    {
        $instrument = Instruments::get('loop-2-wire');
        $display = new Display($instrument);
        $chance = static fn (string $raw): float => $display->plainProbability(Shown::nothing(), ReadingParser::parse($raw, $instrument)) ?? 0.0;
        // All that may be read adds up: "no supply", over range, and a sample of the numbers, which share what is left.
        $sum = $chance('no supply') + $chance('OL');
        self::assertEqualsWithDelta(0.98 + 0.02 * 0.20 / 0.95, $sum, 1e-12);
        $numbers = 0.0;
        for ($hundredths = 0; $hundredths < 2000; ++$hundredths) {
            $numbers += $chance(number_format($hundredths / 100, 2, '.', ''));
        }
        self::assertGreaterThan(0.5 * 0.02 * 0.75 / 0.95, $numbers);
        self::assertLessThan(0.02 * 0.75 / 0.95, $numbers);
        // A slip of 0.5 Ω says as little where the cause leaves no supply as where it would be far from what the cause shows.
        self::assertLessThan(0.001, $chance('0.50'));
        self::assertNull($display->plainProbability(Shown::value(0.5), ReadingParser::parse('0.50', $instrument)));
    }
}
