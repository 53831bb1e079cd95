<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/**
 * Reads what people type off a display: "0,83", "1k2", ">999M", "OL", "230 V", "0.4mA", "110".
 *
 * A bare number is in the unit the tester's display usually shows (Ω, MΩ for insulation, mA for a leakage clamp, V).
 */
final class ReadingParser
{
    private const PREFIXES = ['' => 1.0, 'm' => 1e-3, 'u' => 1e-6, 'µ' => 1e-6, 'n' => 1e-9, 'k' => 1e3, 'K' => 1e3, 'M' => 1e6, 'G' => 1e9];

    private const UNITS = ['V' => Unit::Volt, 'v' => Unit::Volt, 'Ω' => Unit::Ohm, 'ohm' => Unit::Ohm, 'ohms' => Unit::Ohm, 'R' => Unit::Ohm, 'r' => Unit::Ohm, 'A' => Unit::Ampere, 'a' => Unit::Ampere, 's' => Unit::Second, 'F' => Unit::Farad];

    /** @throws ReadingError */
    public static function parse(string $typed, Instrument $instrument): Reading
    {
        $text = self::normal($typed);
        if ('' === $text) {
            throw new ReadingError('Type what the tester shows.');
        }
        if ($instrument instanceof PatternInstrument) {
            return self::pattern($typed, $text, $instrument);
        }
        if (1 === preg_match('/^(ol|o\.l\.?|over ?range|or|no trip|holds)$/i', $text)) {
            return new Reading(ShownKind::Over, $typed, $instrument->scale()->top());
        }
        if (1 === preg_match('/^(no supply|none|no reading|not possible)$/i', $text)) {
            return new Reading(ShownKind::Nothing, $typed);
        }
        $over = '>' === $text[0];
        $number = $over ? ltrim(substr($text, 1)) : $text;
        if (1 === preg_match('/^-?\d{1,3},\d{3}(\D|$)/', $number)) {
            throw new ReadingError(\sprintf('"%s" can mean a thousand or a decimal: type it with a point (%s) or without the comma (%s).', $typed, str_replace(',', '.', $number), str_replace(',', '', $number)));
        }
        [$value, $resolution] = self::number(str_replace(',', '.', $number), $instrument, $typed);
        if ($value < 0.0) {
            throw new ReadingError(\sprintf('"%s": %s shows no negative value.', $typed, $instrument->words()));
        }
        if ($over) {
            return new Reading(ShownKind::Over, $typed, $value);
        }
        if ($value > $instrument->scale()->top() * 1.000001) {
            throw new ReadingError(\sprintf('"%s" is more than %s can show; type OL when it says over range.', $typed, $instrument->words()));
        }

        return new Reading(ShownKind::Value, $typed, $value, $resolution);
    }

    /** Digits of any script and width as ASCII, compatibility forms as what they stand for; Ω and µ by one sign each. */
    private static function normal(string $typed): string
    {
        $plain = \Normalizer::normalize($typed, \Normalizer::FORM_KC);
        $digits = preg_replace_callback('/\p{Nd}/u', static fn (array $match): string => (string) \IntlChar::charDigitValue($match[0]), \is_string($plain) ? $plain : $typed);

        return trim(strtr(\is_string($digits) ? $digits : $typed, ["\u{2126}" => 'Ω', "\u{03BC}" => 'µ', "\u{066B}" => '.']));
    }

    private static function pattern(string $typed, string $text, PatternInstrument $instrument): Reading
    {
        $pattern = strtolower(str_replace([' ', '-', '/'], '', preg_replace('/\s*V$/i', '', $text) ?? $text));
        if (!\in_array($pattern, $instrument->patterns(), true)) {
            throw new ReadingError($instrument instanceof PlugInTester ? \sprintf('"%s": tell the three lamps L–N, L–E, N–E as 1 (lit) or 0 (dark), such as 110.', $typed) : \sprintf('"%s": %s shows one of %s.', $typed, $instrument->words(), implode(', ', $instrument->patterns())));
        }

        return new Reading(ShownKind::Pattern, $typed, 0.0, 0.0, $pattern);
    }

    /** @return array{float, float} value and resolution in the base unit */
    private static function number(string $number, Instrument $instrument, string $typed): array
    {
        // 1k2 is 1.2 k
        if (1 === preg_match('/^(\d+)([kKMGR])(\d+)$/', $number, $match)) {
            if ('R' === $match[2] && Unit::Ohm !== $instrument->unit()) {
                throw new ReadingError(\sprintf('"%s": %s reads %s, not %s.', $typed, $instrument->words(), $instrument->unit()->value, Unit::Ohm->value));
            }
            $factor = 'R' === $match[2] ? 1.0 : self::PREFIXES[$match[2]];

            return self::sized("$match[1].$match[3]", $factor);
        }
        if (1 !== preg_match('/^(-?\d+(?:\.\d+)?|-?\.\d+)\s*([mnkKMGuµ]?)\s*(V|v|Ω|ohms?|R|r|A|a|s|F)?$/u', $number, $match)) {
            throw new ReadingError(\sprintf('"%s" is not a reading: type a number with its unit, such as %s.', $typed, self::example($instrument)));
        }
        $unit = $match[3] ?? '';
        $prefix = $match[2];
        if ('' !== $unit && self::UNITS[$unit] !== $instrument->unit()) {
            throw new ReadingError(\sprintf('"%s": %s reads %s, not %s.', $typed, $instrument->words(), $instrument->unit()->value, self::UNITS[$unit]->value));
        }
        $factor = '' === $prefix && '' === $unit ? self::usual($instrument) : self::PREFIXES[$prefix];

        return self::sized($match[1], $factor);
    }

    /** @return array{float, float} */
    private static function sized(string $digits, float $factor): array
    {
        $point = strpos($digits, '.');
        $decimals = false === $point ? 0 : \strlen($digits) - $point - 1;

        return [(float) $digits * $factor, 10.0 ** -$decimals * $factor];
    }

    /** The unit of a number typed without one, such as "mA". */
    public static function usualUnit(Instrument $instrument): string
    {
        return Unit::Pattern === $instrument->unit() ? '' : (string) array_search(self::usual($instrument), ['n' => 1e-9, 'm' => 1e-3, '' => 1.0, 'M' => 1e6], true).$instrument->unit()->value;
    }

    private static function usual(Instrument $instrument): float
    {
        return match (true) {
            $instrument instanceof InsulationTester => 1e6,
            Unit::Farad === $instrument->unit() => 1e-9,
            Unit::Second === $instrument->unit(), $instrument instanceof ResidualTester, \in_array($instrument->slug(), ['leakage-clamp', 'clamp-logger'], true) => 1e-3,
            default => 1.0,
        };
    }

    private static function example(Instrument $instrument): string
    {
        return match (true) {
            $instrument instanceof InsulationTester => '"200 M" or ">999M"',
            Unit::Ampere === $instrument->unit() => '"0.35 mA" or "1.2 A"',
            Unit::Volt === $instrument->unit() => '"231 V"',
            Unit::Second === $instrument->unit() => '"24 ms" or "no trip"',
            Unit::Farad === $instrument->unit() => '"1.35 nF"',
            default => '"0.83" or "OL"',
        };
    }
}
