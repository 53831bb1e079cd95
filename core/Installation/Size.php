<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** How large a house is, against what can be worked out while somebody waits. */
final class Size
{
    /** Points with something to open or to put a lead on: causes grow with them, and tests with causes. */
    public const INTERACTIVE_POINTS = 400;

    private const POINTS = ['socket', 'split-outlet', 'residual-outlet', 'light', 'switch', 'intermediate-switch', 'junction', 'appliance'];

    public static function points(House $house): int
    {
        return \count(array_filter($house->parts, static fn (Part $part): bool => \in_array($part->kind, self::POINTS, true)));
    }

    /** Whether its causes are ranked and its next tests weighed; a larger one is surveyed, read in and recorded all the same. */
    public static function isInteractive(House $house): bool
    {
        return self::points($house) <= self::INTERACTIVE_POINTS;
    }
}
