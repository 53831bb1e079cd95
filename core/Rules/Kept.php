<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/**
 * Which of repeated valid readings goes on the record (handbook, section 16): the highest of impedances, resistances, trip
 * times and leakage, the lowest of insulation, both ends of volts and of a ramp. All of them are kept beside it.
 */
final class Kept
{
    /**
     * @param non-empty-list<Reading> $readings of one test
     *
     * @return list<int> places among them, in order; the first of equals
     */
    public static function of(Measured $measured, array $readings): array
    {
        $sizes = array_map(self::size(...), $readings);
        $highest = (int) array_search(max($sizes), $sizes, true);
        $lowest = (int) array_search(min($sizes), $sizes, true);
        $kept = match ($measured) {
            Measured::Insulation => [$lowest],
            Measured::Volts, Measured::ResidualRamp => [$lowest, $highest],
            Measured::Lamps => [\count($readings) - 1],
            default => [$highest],
        };
        sort($kept);

        return array_values(array_unique($kept));
    }

    private static function size(Reading $reading): float
    {
        return match ($reading->kind) {
            ShownKind::Over => \INF,
            ShownKind::Nothing => -1.0,
            default => $reading->value,
        };
    }
}
