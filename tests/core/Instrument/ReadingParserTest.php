<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\ReadingError;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Specimen;

final class ReadingParserTest extends TestCase
{
    /** @return iterable<string, array{string, string, float, float}> typed, tester, value, resolution in the base unit */
    public static function numbers(): iterable
    {
        yield 'decimal comma' => ['0,83', 'low-ohm', 0.83, 0.01];
        yield 'decimal point and unit' => ['0.830 Ω', 'low-ohm', 0.83, 0.001];
        yield 'letter as point' => ['1k2', 'low-ohm', 1200.0, 100.0];
        yield 'R as point' => ['0R62', 'loop-2-wire', 0.62, 0.01];
        yield 'milliohm sign of another alphabet' => ["0.5 \u{2126}", 'low-ohm', 0.5, 0.1];
        yield 'volts' => ['231 V', 'voltmeter-high-z', 231.0, 1.0];
        yield 'bare on an insulation tester is MΩ' => ['200', 'insulation-tester', 200e6, 1e6];
        yield 'kΩ on an insulation tester' => ['640k', 'insulation-tester', 640e3, 1e3];
        yield 'bare on a leakage clamp is mA' => ['0.35', 'leakage-clamp', 0.35e-3, 0.01e-3];
        yield 'amperes on a leakage clamp' => ['1.2 A', 'leakage-clamp', 1.2, 0.1];
    }

    #[DataProvider('numbers')]
    public function testWhatPeopleType(string $typed, string $instrument, float $value, float $resolution): void
    {
        $reading = ReadingParser::parse($typed, Instruments::get($instrument));

        self::assertSame(ShownKind::Value, $reading->kind);
        self::assertSame($typed, $reading->raw);
        self::assertEqualsWithDelta($value, $reading->value, 1e-9 * $value);
        self::assertEqualsWithDelta($resolution, $reading->resolution, 1e-9 * $resolution);
    }

    public function testOverRangeIsStoredWithItsTop(): void
    {
        self::assertEqualsWithDelta(999e6, ReadingParser::parse('>999M', Instruments::get('insulation-tester'))->value, 1.0);
        self::assertSame(ShownKind::Over, ReadingParser::parse('OL', Instruments::get('low-ohm'))->kind);
        self::assertEqualsWithDelta(1999.0, ReadingParser::parse('ol', Instruments::get('low-ohm'))->value, 1e-9);
    }

    public function testLampsAndNoSupply(): void
    {
        self::assertSame('101', ReadingParser::parse('1 0 1', Instruments::get('plug-in-tester'))->pattern);
        self::assertSame(ShownKind::Nothing, ReadingParser::parse('no supply', Instruments::get('loop-2-wire'))->kind);
    }

    /** @return iterable<string, array{string, string, string}> typed, tester, a part of the message */
    public static function refused(): iterable
    {
        yield 'nothing' => [' ', 'low-ohm', 'Type what'];
        yield 'a thousand or a decimal' => ['1,200', 'voltmeter-high-z', 'thousand or a decimal'];
        yield 'the wrong unit' => ['230 V', 'low-ohm', 'reads Ω, not V'];
        yield 'negative' => ['-3', 'low-ohm', 'no negative'];
        yield 'more than the display' => ['5000 V', 'voltmeter-high-z', 'more than'];
        yield 'words' => ['about two', 'low-ohm', 'not a reading'];
        yield 'a number on lamps' => ['230', 'plug-in-tester', 'three lamps'];
    }

    #[DataProvider('refused')]
    public function testWhatIsNoReadingSaysWhatWouldBe(string $typed, string $instrument, string $message): void
    {
        $this->expectException(ReadingError::class);
        $this->expectExceptionMessage($message);
        ReadingParser::parse($typed, Instruments::get($instrument));
    }

    public function testWhatASpecimenShowsCanBeTypedBack(): void
    {
        foreach (Instruments::all() as $slug => $instrument) {
            $top = $instrument->scale()->top();
            foreach ([0.0012, 0.35, 1.7, 48.0, 230.0, 1500.0, 3e5, 4e7, 5e8] as $value) {
                $shown = $instrument instanceof PatternInstrument ? Shown::levels([230.0, 229.0, 1.0]) : ($value > $top ? Shown::over($value) : Shown::value($value));
                $display = (new Specimen($instrument, 5))->display($shown);
                $reading = ReadingParser::parse($display, $instrument);
                self::assertSame($display, $reading->raw);
                if (ShownKind::Value === $reading->kind) {
                    $accuracy = $instrument->accuracy();
                    $within = 3.0 * ($accuracy->gain * $value + $accuracy->digits * $instrument->scale()->resolution($value) + $accuracy->offset);
                    self::assertEqualsWithDelta($value, $reading->value, $within, "$slug shows $display for $value");
                }
            }
            $instrument instanceof PatternInstrument && self::assertSame((new Specimen($instrument, 8))->display(Shown::levels([230.0, 230.0, 0.0])), (new Specimen($instrument, 8))->display(Shown::levels([230.0, 230.0, 0.0])));
        }
    }

    public function testThreeFiguresAtMost(): void
    {
        self::assertSame('0.62 Ω', ReadingFormat::value(0.6173, Instruments::get('loop-2-wire')));
        self::assertSame('12.3 mA', ReadingFormat::value(0.012345, Instruments::get('leakage-clamp')));
        self::assertSame('641 MΩ', ReadingFormat::value(641.3e6, Instruments::get('insulation-tester')));
        self::assertSame('over range (> 999 MΩ)', ReadingFormat::shown(Shown::over(), Instruments::get('insulation-tester')));
    }
}
