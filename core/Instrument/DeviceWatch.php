<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/**
 * The protective device itself as a witness: it trips in a state, or it holds. Its level is what it sees over what opens
 * one of its kind, so that 1 is an even chance.
 */
final readonly class DeviceWatch extends Witness
{
    /** Spread of the trip current of a kind, as a share of it. */
    private const SPREAD = 0.09;

    /** A transient, a slip of who was watching: what trips for nothing, and what held by chance. */
    private const MISS = 0.03;

    public function slug(): string
    {
        return 'device-watch';
    }

    public function words(): string
    {
        return 'The device itself';
    }

    public function trap(): string
    {
        return 'Holding clears nothing: the load may be off just now, the damp dried. A transient trips it for nothing.';
    }

    public function patterns(): array
    {
        return ['holds', 'trips'];
    }

    public function pattern(Shown $shown): string
    {
        return $shown->levels[0] >= 1.0 ? 'trips' : 'holds';
    }

    public function probability(Shown $shown, string $pattern): float
    {
        $opens = 1.0 / (1.0 + exp(max(-700.0, min(700.0, -1.702 * ($shown->levels[0] - 1.0) / self::SPREAD))));
        $trips = self::MISS + (1.0 - 2.0 * self::MISS) * $opens;

        return 'trips' === $pattern ? $trips : 1.0 - $trips;
    }
}
