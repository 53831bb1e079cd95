<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/**
 * The protective device itself as a witness: it trips in a state, or it holds. Its level is what it sees over what opens
 * one of its kind, so that 1 is an even chance.
 */
final readonly class DeviceWatch extends Witness
{
    public const HOLDS = 'holds';
    public const TRIPS = 'trips';

    /** @param bool $isBrief whether only while a test is done behind it: then a breaker opens by its magnetic part alone */
    private function __construct(public bool $isBrief)
    {
    }

    public static function closed(): self
    {
        return new self(false);
    }

    public static function briefly(): self
    {
        return new self(true);
    }

    /** Spread of the trip current of a kind, as a share of it. */
    private const SPREAD = 0.09;

    /** A transient, a slip of who was watching: what trips for nothing, and what held by chance. */
    private const MISS = 0.03;

    /** Slope of the logistic that stands for the normal, within a hundredth of it everywhere (Haley, 1952). */
    private const LOGISTIC = 1.702;

    public function slug(): string
    {
        return $this->isBrief ? 'device-watch-brief' : 'device-watch';
    }

    public function words(): string
    {
        return $this->isBrief ? 'The device while a test is done' : 'The device itself';
    }

    public function trap(): string
    {
        return 'Holding clears nothing: the load may be off just now, the damp dried. A transient trips it for nothing.';
    }

    public function patterns(): array
    {
        return [self::HOLDS, self::TRIPS];
    }

    public function pattern(Shown $shown): string
    {
        return $shown->levels[0] >= 1.0 ? self::TRIPS : self::HOLDS;
    }

    /** @param float $spread of its logarithm, by what is uncertain about the house: one standard deviation */
    public function level(float $level, float $spread = 0.0): Shown
    {
        return Shown::levels([$level, $spread * $level]);
    }

    /** A level in a house that brings it to this quantile of what is uncertain about houses: none of that is left in its spread. */
    public function inHouse(Shown $shown, float $quantile): Shown
    {
        [$level, $spread] = $shown->levels + [0.0, 0.0];

        return Shown::levels([$level > 0.0 ? $level * exp($spread / $level * log($quantile / (1.0 - $quantile)) / self::LOGISTIC) : $level]);
    }

    public function probability(Shown $shown, string $pattern): float
    {
        $level = $shown->levels[0];
        $spread = hypot(self::SPREAD, ($shown->levels[1] ?? 0.0) / max($level, 1e-9));
        $opens = 1.0 / (1.0 + exp(max(-700.0, min(700.0, -self::LOGISTIC * log(max($level, 1e-9)) / $spread))));
        $trips = self::MISS + (1.0 - 2.0 * self::MISS) * $opens;

        return self::TRIPS === $pattern ? $trips : 1.0 - $trips;
    }
}
