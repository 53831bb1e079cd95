<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** Something a sum wants to know: a number in a range, one of some choices, several numbers, or a date. */
final readonly class Input
{
    public const NUMBER = 'number';
    public const CHOICE = 'choice';
    public const NUMBERS = 'numbers';
    public const DATE = 'date';

    /** @param array<array-key, string> $choices slug => words */
    private function __construct(public string $key, public string $words, public string $kind, public string $unit, public string $usual, public float $least = 0.0, public float $most = 0.0, public array $choices = [])
    {
    }

    public static function number(string $key, string $words, string $unit, float $usual, float $least, float $most): self
    {
        return new self($key, $words, self::NUMBER, $unit, self::plain($usual), $least, $most);
    }

    /**
     * @param list<float> $usual
     */
    public static function numbers(string $key, string $words, string $unit, array $usual, float $least, float $most): self
    {
        return new self($key, $words, self::NUMBERS, $unit, implode(' ', array_map(self::plain(...), $usual)), $least, $most);
    }

    /** @param non-empty-array<array-key, string> $choices */
    public static function choice(string $key, string $words, array $choices): self
    {
        return new self($key, $words, self::CHOICE, '', (string) array_key_first($choices), choices: $choices);
    }

    public static function date(string $key, string $words, string $usual): self
    {
        return new self($key, $words, self::DATE, '', $usual);
    }

    private static function plain(float $number): string
    {
        return rtrim(rtrim(\sprintf('%.4f', $number), '0'), '.');
    }
}
