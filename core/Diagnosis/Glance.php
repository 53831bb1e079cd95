<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\PatternInstrument;
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
        $isPlain = $piece->display->instrument instanceof PatternInstrument || ShownKind::Nothing === $piece->reading->kind;
        $freed = $isPlain ? [] : $rows->freed($factors);
        for ($place = 0, $count = \count($rows); $place < $count; ++$place) {
            if ($isPlain || ShownKind::Nothing === $rows->kind($place)) {
                $own = $piece->display->plainProbability($rows->row($place)->shown, $piece->reading) ?? 0.0;
            } else {
                $own = Noise::of($cell->low, $cell->high, $rows->zs[$place], $rows->sigmas[$place] ** 2 + $cell->variance, $freed[$place]);
            }
            $logs[] = log($cell->honest * $own + $cell->slip);
        }

        return $logs;
    }
}
