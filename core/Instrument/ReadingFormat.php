<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** Values as a display or a sentence writes them, with their unit and no more digits than they deserve. */
final class ReadingFormat
{
    public static function shown(Shown $shown, Instrument $instrument): string
    {
        return match ($shown->kind) {
            ShownKind::Over => $instrument instanceof ResidualTester ? 'does not open' : 'over range (> '.self::value($instrument->scale()->top(), $instrument).')',
            ShownKind::Nothing => $instrument instanceof ResidualTester ? 'not possible' : 'no supply to test with',
            ShownKind::Pattern => self::pattern($shown, $instrument),
            ShownKind::Value => self::value($shown->value, $instrument),
        };
    }

    /** What the display itself shows, in its own resolution. */
    public static function displayed(Shown $shown, Instrument $instrument): string
    {
        if (ShownKind::Value !== $shown->kind) {
            return match ($shown->kind) {
                ShownKind::Over => 'OL',
                ShownKind::Nothing => 'no supply',
                default => self::pattern($shown, $instrument),
            };
        }
        [$divisor, $unit] = self::prefix($shown->value, $instrument->unit());
        $decimals = max(0, (int) round(-log10($instrument->scale()->resolution($shown->value) / $divisor)));

        return number_format($instrument->scale()->rounded($shown->value) / $divisor, $decimals, '.', '')." $unit";
    }

    /** Three significant figures at most, never finer than the display. */
    public static function value(float $value, Instrument $instrument): string
    {
        [$divisor, $unit] = self::prefix($value, $instrument->unit());
        $scaled = $value / $divisor;
        $significant = $scaled > 0.0 ? 2 - (int) floor(log10($scaled)) : 2;
        $finest = (int) round(-log10($instrument->scale()->resolution($value) / $divisor));

        return number_format($scaled, max(0, min($significant, $finest)), '.', '')." $unit";
    }

    private static function pattern(Shown $shown, Instrument $instrument): string
    {
        return $instrument instanceof PatternInstrument ? $instrument->pattern($shown) : '';
    }

    /** @return array{float, string} */
    private static function prefix(float $value, Unit $unit): array
    {
        return match (true) {
            Unit::Second === $unit => [1e-3, 'ms'],
            Unit::Farad === $unit => [1e-9, 'nF'],
            Unit::Ampere === $unit && $value < 0.9995 => [1e-3, 'mA'],
            Unit::Ohm === $unit && $value >= 0.9995e6 => [1e6, 'MΩ'],
            Unit::Ohm === $unit && $value >= 1999.5 => [1e3, 'kΩ'],
            default => [1.0, $unit->value],
        };
    }
}
