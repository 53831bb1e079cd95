<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;

/** A measurement done again: what it shows when the first reading was no slip, whatever made it. */
final class Repeated
{
    /** A lamp misread, a contact not made, a range just left: how often the second is unlike the first all the same. */
    private const UNLIKE = 0.05;

    /** Probability of the second reading when the house, whatever is wrong with it, is as it was at the first. */
    public static function probability(Evidence $again, Evidence $first): float
    {
        $row = self::row($first);
        if (null === $row || ShownKind::Value !== $again->reading->kind) {
            $isSame = $again->reading->kind === $first->reading->kind && $again->reading->pattern === $first->reading->pattern && null === $row;

            return $isSame ? 1.0 - self::UNLIKE : self::UNLIKE * $again->display->broad($again->reading);
        }

        return exp((new Cell($again))->log($row->z, $row->sigma));
    }

    /** Where a second reading lies after a first one that was a number, both with the tester's own noise; null for lamps, over range and no reading. */
    public static function row(Evidence $first): ?Row
    {
        if (ShownKind::Value !== $first->reading->kind || !$first->display->isLine()) {
            return null;
        }
        $shown = Shown::value($first->reading->value);
        $own = $first->display->spread($shown->value, $first->display->instrument->accuracy()->repeatability($first->display->instrument->scale(), $shown));

        return new Row($shown, $first->display->z($shown->value), \M_SQRT2 * max($own, 0.002), []);
    }
}
