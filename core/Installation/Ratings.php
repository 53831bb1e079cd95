<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * What is written on a protective device. Each rating has one default, here, for what is computed of a device that nobody
 * has read off; what is judged by a rating asks for the known one and gets null.
 */
final class Ratings
{
    private const AMPERES = 16.0;
    private const MILLIAMPERES = 30.0;
    private const OUTLET_MILLIAMPERES = 5.0;
    private const CURVE = 'B';
    private const TYPE = 'A';

    /** Rated current, A. */
    public static function amperes(Part $device): float
    {
        return self::knownAmperes($device) ?? self::AMPERES;
    }

    /** Rated current, A; null when the survey does not say. */
    public static function knownAmperes(Part $device): ?float
    {
        $amperes = $device->attributes->positive('ratedAmperes', 0.0);

        return $amperes > 0.0 ? $amperes : null;
    }

    /** Rated residual current, mA. */
    public static function residualMilliamperes(Part $device): float
    {
        return self::knownResidualMilliamperes($device) ?? ('residual-outlet' === $device->kind ? self::OUTLET_MILLIAMPERES : self::MILLIAMPERES);
    }

    /** Rated residual current, mA; null when the survey does not say. */
    public static function knownResidualMilliamperes(Part $device): ?float
    {
        $milliamperes = $device->attributes->positive('ratedMilliamps', 0.0);

        return $milliamperes > 0.0 ? $milliamperes : null;
    }

    /** B, C or D. */
    public static function curve(Part $device): string
    {
        return self::knownCurve($device) ?? self::CURVE;
    }

    public static function knownCurve(Part $device): ?string
    {
        $curve = $device->attributes->string('curve', '');

        return '' === $curve ? null : $curve;
    }

    /** Whether it waits before it opens, so that one behind it opens first. */
    public static function isDelayed(Part $device): bool
    {
        return 'S' === $device->attributes->string('type', self::TYPE);
    }
}
