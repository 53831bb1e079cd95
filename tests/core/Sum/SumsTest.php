<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Sum;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Sum\Figure;
use YellowProbe\Sum\Given;
use YellowProbe\Sum\Input;
use YellowProbe\Sum\SumError;
use YellowProbe\Sum\Sums;

/** Every sum with figures worked by hand. */
final class SumsTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, string>, list<float|string>, list<bool>}> sum, typed, the first results, which of them warn */
    public static function worked(): iterable
    {
        // 0.95 · 230 / (5 · 32) = 1.366; 80 % 1.0925; 0.35 + 0.5 = 0.85; 0.35 + 1.2 · 0.5 = 0.95.
        yield 'a B32' => ['loop-limit', [], [1.365625, 1.0925, 0.85, 0.95], [false, false, false, false]];
        yield 'too long a run' => ['loop-limit', ['r1r2' => '0.9'], [1.365625, 1.0925, 1.25, 1.43], [false, false, true, true]];
        yield 'ring of 0.5, 0.5, 0.83' => ['ring', [], [0.25, 0.3325], [false, false]];
        // 0.37 / 0.00741 = 49.93 m; at 40 °C 8 % less.
        yield 'half a drum' => ['length', [], [49.9325], [false]];
        yield 'a warm one' => ['length', ['celsius' => '40'], [46.2338], [false]];
        // 1 / (1/200 + 1/200 + 1/50 + 1/2) = 1.8868 MΩ; 230 V over that are 0.1219 mA.
        yield 'four circuits' => ['parallel-insulation', [], [1.886792, 0.1219, 2.0], [false, false, false]];
        // 230 / 0.12 = 1.917 kA; the tester is good to 0.0448 Ω: 230 / 0.0752 = 3.059 kA.
        yield 'a town house' => ['breaking-capacity', [], [1.916667, 3.058511], [false, false]];
        yield 'next to the transformer' => ['breaking-capacity', ['ohms' => '0.04'], [5.75, \INF], [false, true]];
        // 2 · 7.41e-3 · 1.2 · 20 = 0.35568 Ω · 10 A = 3.5568 V, 1.546 %; within 5 %: 11.5 V / 10 A / 0.017784 Ω/m = 64.66 m.
        yield 'ten amps at twenty metres' => ['volt-drop', [], [3.5568, 1.546435, 64.665], [false, false, false]];
        // √(0.8² + 5.3²) = 5.360 mA, 17.9 %; √(9² − 0.8²) − 5.3 = 3.664 mA.
        yield 'a device with room' => ['leakage-budget', [], [5.360037, 17.866791, 9.0, 3.664374], [false, false, false, false]];
        yield 'three alike at 120°' => ['phasor-sum', [], [0.0, 0.0, 30.0], [false, false, false]];
        yield 'two at a right angle' => ['phasor-sum', ['amperes' => '3 4', 'degrees' => '0 90'], [5.0, 53.130102, 7.0], [false, false, false]];
        // 1/0.2 + 1/2 + 1/20 = 5.55 S.
        yield 'three ways to earth' => ['earth-division', [], [0.18018, 9.009009, 0.900901, 0.09009], [false, false, false, false]];
        // 314.16 · 1.2e-6 · 20 = 7.54 mV/m over 12.1 mΩ/m are 623 mA; 15 m 113 mV.
        yield 'beside a shower' => ['induced', [], [623.125816, 113.097336], [false, false]];
        yield 'a jumper that is protected' => ['group-load', ['upstream' => '63'], [92.0, 55.2], [false, false]];
        yield 'one that is not' => ['group-load', ['rated' => '50'], [92.0, 55.2], [true, true]];
        // √(800² · 0.1) / 115 = 2.1999 mm².
        yield 'eight hundred amps' => ['cpc-size', [], [2.199854, '2.5 mm²'], [false, false]];
        yield 'leads' => ['lead-null', [], [0.51], [false]];
        yield 'leads nulled twice' => ['lead-null', ['read' => '0.05'], [-0.06], [true]];
        // 4 + 2 + 1 + 1 = 8 · 2.00 = 16 in³.
        yield 'a box of 18' => ['box-fill', [], [16.0, 8.0], [false, false]];
        // Six grounds count 1 and twice a quarter; 4 + 4 + 1 + 1.5 = 10.5 · 2.25.
        yield 'a full one' => ['box-fill', ['size' => '12', 'yokes' => '2', 'grounds' => '6'], [23.625, 10.5], [true, false]];
        // 5 · 9 / 285.61 = 15.76 %.
        yield 'five in a conduit' => ['conduit-fill', [], [15.755751, 40.0], [false, false]];
        yield 'one alone' => ['conduit-fill', ['diameters' => '13'], [59.171598, 53.0], [true, false]];
        yield 'a lid in a corner' => ['lid-clearance', [], [122.576507], [true]];
        yield 'five years' => ['next-date', [], ['26 November 2031'], [false]];
        yield 'from the end of a month' => ['next-date', ['date' => '2026-08-31', 'months' => '6'], ['28 February 2027'], [false]];
    }

    /**
     * @param array<string, string> $typed
     * @param list<float|string>    $expected
     * @param list<bool>            $warns
     */
    #[DataProvider('worked')]
    public function testAWorkedFigure(string $slug, array $typed, array $expected, array $warns): void
    {
        $sum = Sums::get($slug);
        $figures = $sum->work(Given::of($sum, $typed));
        foreach ($expected as $at => $value) {
            if (\is_string($value)) {
                self::assertSame($value, $figures[$at]->text);
            } elseif (is_finite($value)) {
                self::assertEqualsWithDelta($value, $figures[$at]->value, 1e-5 * max(1.0, abs($value)) + 1e-9, $figures[$at]->words);
            } else {
                self::assertSame($value, $figures[$at]->value);
            }
            self::assertSame($warns[$at], $figures[$at]->warns, $figures[$at]->words);
        }
    }

    public function testEverySumHasAWorkedFigureAndSaysWhereItComesFrom(): void
    {
        $worked = array_unique(array_map(static fn (array $case): string => $case[0], [...iterator_to_array(self::worked(), false)]));
        foreach (Sums::all() as $sum) {
            self::assertContains($sum->slug(), $worked);
            self::assertNotSame('', $sum->formula());
            self::assertNotSame('', $sum->source());
            self::assertNotSame('', $sum->work(Given::of($sum, []))[0]->text, 'the usual values work');
            foreach ($sum->inputs() as $input) {
                self::assertTrue(Input::NUMBER !== $input->kind || $input->most > $input->least, "{$sum->slug()} {$input->key}");
            }
        }
    }

    /** @return iterable<string, array{string, array<string, string>, string, string}> */
    public static function refused(): iterable
    {
        yield 'two ways to read it' => ['length', ['ohms' => '1,200'], 'ohms', 'write 1.200 or 1200'];
        yield 'no number' => ['length', ['ohms' => 'low'], 'ohms', 'is no number'];
        yield 'out of range' => ['length', ['celsius' => '400'], 'celsius', 'from -20 to 90 °C'];
        yield 'a key of another sum' => ['length', ['volts' => '230'], 'volts', 'wants ohms, size, celsius'];
        yield 'no such size' => ['length', ['size' => 'mm2:3'], 'size', 'mm2:2.5'];
        yield 'angles missing' => ['phasor-sum', ['amperes' => '1 2', 'degrees' => '0'], 'degrees', 'one angle for each'];
        yield 'nothing given' => ['phasor-sum', ['amperes' => ' '], 'amperes', 'at least one'];
        yield 'no day' => ['next-date', ['date' => '2026-02-30'], 'date', 'Write the date'];
    }

    /** @param array<string, string> $typed */
    #[DataProvider('refused')]
    public function testWhatCannotBeWorkedWithIsNamed(string $slug, array $typed, string $key, string $words): void
    {
        $sum = Sums::get($slug);
        try {
            $sum->work(Given::of($sum, $typed));
            self::fail('It was taken.');
        } catch (SumError $error) {
            self::assertSame($key, $error->key);
            self::assertStringContainsString($words, $error->getMessage());
        }
    }

    public function testADecimalCommaIsTakenAndThreeDigitsAreSaid(): void
    {
        $sum = Sums::get('length');
        self::assertEqualsWithDelta(50.0, $sum->work(Given::of($sum, ['ohms' => '0,37']))[0]->value ?? 0.0, 0.1);
        self::assertSame('0.000123', Figure::rounded(0.000123456));
        self::assertSame('12.3', Figure::rounded(12.34));
        self::assertSame('1235', Figure::rounded(1234.6));
        self::assertSame('0.00', Figure::rounded(0.0));
        $this->expectExceptionMessage('No sum is called "tea"');
        Sums::get('tea');
    }
}
