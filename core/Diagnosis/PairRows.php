<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ShownKind;

/**
 * What two faults show together, with the moves of what lies nearest: of either fault alone, or of the house as surveyed. A sketch
 * lets all of it move as the house as surveyed does; but the volts of an earth that hangs in the air move with the length of
 * its cable whatever else is wrong, and the true pair would be thrown out for that.
 */
final class PairRows
{
    /** Of the distance to the nearest row, what its moves leave unsaid. */
    private const UNSAID = 0.1;

    /**
     * @param PredictionTable  $alone    with what each fault shows by itself
     * @param PredictionTable  $sketched with what the pairs show
     * @param list<Hypothesis> $pairs
     */
    public static function of(PredictionTable $alone, PredictionTable $sketched, array $pairs): PredictionTable
    {
        $sound = $sketched->sound();
        $rows = [Hypothesis::SOUND => [$sound]];
        foreach ($pairs as $pair) {
            $halves = $alone->halves($pair);
            foreach ($sketched->there($pair) as $at => $row) {
                $rows[$pair->stem][] = isset($halves[$at]) && $row !== $sound ? self::moved($row, $sound, ...$halves[$at]) : $row;
            }
        }

        return PredictionTable::of($rows, $sketched->factors, $sketched->bends);
    }

    private static function moved(Row $together, Row $sound, Row $one, Row $other): Row
    {
        if (!self::isNumber($together)) {
            return $together;
        }
        [$nearest, $distance] = [$sound, abs($together->z - $sound->z)];
        foreach ([$one, $other] as $row) {
            if (self::isNumber($row) && abs($together->z - $row->z) < $distance) {
                [$nearest, $distance] = [$row, abs($together->z - $row->z)];
            }
        }
        if ($nearest === $sound) {
            return new Row($together->shown, $together->z, hypot($together->sigma, self::UNSAID * $distance), $together->moves);
        }
        // How the severities move it is known of the pair itself.
        $severities = array_flip(Between::FACTORS);

        return new Row($together->shown, $together->z, hypot(max($together->sigma, $nearest->sigma), self::UNSAID * $distance), array_diff_key($nearest->moves, $severities) + array_intersect_key($together->moves, $severities));
    }

    private static function isNumber(Row $row): bool
    {
        return ShownKind::Value === $row->shown->kind || ShownKind::Over === $row->shown->kind;
    }
}
