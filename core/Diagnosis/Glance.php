<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ShownKind;

/** One reading held against every row of its table, the factors free: most causes are dismissed by that alone. */
final class Glance
{
    /**
     * @param array<string, int> $factors that are free
     *
     * @return list<float> log-probability of the reading by place of the row
     */
    public static function at(Rows $rows, Evidence $piece, Cell $cell, array $factors): array
    {
        $logs = [];
        $freed = $cell->isPlain ? [] : $rows->freed($factors);
        for ($place = 0, $count = \count($rows); $place < $count; ++$place) {
            $logs[] = self::log($rows, $place, $piece, $cell, $freed[$place] ?? 0.0);
        }

        return $logs;
    }

    /** The same of one row, with all of its factors free. */
    public static function alone(Rows $rows, int $place, Evidence $piece): float
    {
        return self::log($rows, $place, $piece, new Cell($piece), $rows->reach($place));
    }

    private static function log(Rows $rows, int $place, Evidence $piece, Cell $cell, float $freed): float
    {
        $own = $cell->isPlain || ShownKind::Nothing === $rows->kind($place)
            ? $piece->display->plainProbability($rows->row($place)->shown, $piece->reading) ?? 0.0
            : Noise::of($cell->low, $cell->high, $rows->zs[$place], $rows->sigmas[$place] ** 2 + $cell->variance, $freed);

        return log($cell->honest * $own + $cell->slip);
    }
}
