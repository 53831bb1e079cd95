<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/**
 * What was complained of, tried again after a repair: gone or still there. It tells of causes and not of volts: while any
 * is left that was asked for, the complaint comes back, wherever that cause is.
 */
final readonly class ComplaintTrial extends Witness
{
    public const GONE = 'gone';
    public const THERE = 'there';

    /** Of its outcomes: the cause does not always show while somebody looks, and now and then something else shows. */
    private const SHOWS = 0.85;
    private const BY_CHANCE = 0.03;

    public function slug(): string
    {
        return 'complaint-trial';
    }

    public function words(): string
    {
        return 'The complaint tried again';
    }

    public function trap(): string
    {
        return 'Gone for now is not cured: what comes and goes may be away.';
    }

    public function patterns(): array
    {
        return [self::GONE, self::THERE];
    }

    public function pattern(Shown $shown): string
    {
        return $shown->levels[0] > 0.0 ? self::THERE : self::GONE;
    }

    public function probability(Shown $shown, string $pattern): float
    {
        $shows = $shown->levels[0] > 0.0 ? self::SHOWS : self::BY_CHANCE;

        return self::THERE === $pattern ? $shows : 1.0 - $shows;
    }

    public static function isBack(Reading $tried): bool
    {
        return self::THERE === $tried->pattern;
    }

    /** With any cause left, or with none. */
    public static function shown(bool $isLeft): Shown
    {
        return Shown::levels([$isLeft ? 1.0 : 0.0]);
    }
}
