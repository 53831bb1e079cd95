<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** One line that comes out of a sum. */
final readonly class Figure
{
    private const DIGITS = 3;

    private function __construct(public string $words, public string $text, public ?float $value, public bool $warns)
    {
    }

    /** @param bool $warns whether it is something to stop at */
    public static function of(string $words, float $value, string $unit, bool $warns = false): self
    {
        return new self($words, trim(self::rounded($value).' '.$unit), $value, $warns);
    }

    /** A line that is no number. */
    public static function said(string $words, string $text, bool $warns = false): self
    {
        return new self($words, $text, null, $warns);
    }

    /** Three significant digits, as a tester would show them: more would be a pretence. */
    public static function rounded(float $value): string
    {
        if (!is_finite($value)) {
            return 'no limit';
        }
        $digits = 0.0 === $value ? self::DIGITS - 1 : max(0, self::DIGITS - 1 - (int) floor(log10(abs($value))));

        return number_format($value, min(6, $digits), '.', '');
    }
}
