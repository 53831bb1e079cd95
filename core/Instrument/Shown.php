<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** What a tester shows: a value in its base unit, over range, nothing to work on, or a pattern of lamps, steps or sounds. */
final readonly class Shown
{
    /**
     * @param float       $value   in the base unit; for over range the value behind it, as far as it is known
     * @param list<float> $levels  what the patterns of lamps, steps and sounds are read from, in the tester's own unit
     * @param float       $through amperes in the conductors a clamp embraces, the largest one alone
     */
    private function __construct(public ShownKind $kind, public float $value, public array $levels = [], public float $through = 0.0)
    {
    }

    public static function value(float $value, float $through = 0.0): self
    {
        return new self(ShownKind::Value, $value, [], $through);
    }

    public static function over(float $value = \INF): self
    {
        return new self(ShownKind::Over, $value);
    }

    /** The tester finds no supply to test with. */
    public static function nothing(): self
    {
        return new self(ShownKind::Nothing, 0.0);
    }

    /** @param list<float> $levels what the pattern is read from */
    public static function levels(array $levels): self
    {
        return new self(ShownKind::Pattern, 0.0, $levels);
    }
}
