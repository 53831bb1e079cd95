<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/** Where a plug can go, and the terminals of a point by pole, whatever kind of accessory it is. */
final class Outlets
{
    /** Kinds with outlets in them. */
    public const KINDS = ['socket', 'residual-outlet', 'split-outlet'];

    /** Points that a circuit's conductors pass through. */
    public const POINTS = ['socket', 'residual-outlet', 'split-outlet', 'light', 'junction', 'appliance'];

    /** What stands before the pole at the screws that lead on to the next point. */
    private const ONWARD = ['residual-outlet' => 'load-', 'split-outlet' => 'lower-'];

    /** @return list<string> names of the outlets of a part, such as front */
    public static function of(Part $part): array
    {
        return match ($part->kind) {
            'socket' => Socket::outlets($part),
            'residual-outlet' => ['front'],
            'split-outlet' => ['top', 'bottom'],
            default => [],
        };
    }

    /** @return list<array{Part, string}> every outlet of a house */
    public static function all(House $house): array
    {
        $outlets = [];
        foreach ($house->partsOfKind(...self::KINDS) as $part) {
            foreach (self::of($part) as $outlet) {
                $outlets[] = [$part, $outlet];
            }
        }

        return $outlets;
    }

    /** @return list<Part> every point with L, N, E that is wired and not plugged in */
    public static function points(House $house): array
    {
        return array_values(array_filter($house->partsOfKind(...self::POINTS), static fn (Part $part): bool => '' === $part->attributes->string('pluggedInto', '')));
    }

    /** The screw that a pole (L, N, E) of the fixed wiring lands on. */
    public static function screw(Part $part, string $pole): string
    {
        return $part->terminal('E' === $pole ? 'E' : (self::ONWARD[$part->kind] ?? '').$pole);
    }

    /** The screw behind a contact of an outlet. */
    public static function behind(Part $part, string $outlet, string $pole): string
    {
        return 'split-outlet' === $part->kind && 'E' !== $pole ? $part->terminal(('top' === $outlet ? 'upper-' : 'lower-').$pole) : self::screw($part, $pole);
    }
}
