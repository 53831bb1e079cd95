<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ShownKind;

/**
 * What a fault shows between the severities of its kind. A leak of 20 kΩ is neither one of 10 nor one of 30: along the steps the
 * severity is a factor of its own, the same for all readings, by which a row moves towards the rows beside it.
 *
 * With t the share of a step, evenly between −½ and ½ and so of deviation 1/√12, the row lies at z₀ + a·t + b·t² by the rows beside
 * it; a is its move, b what a straight line leaves unsaid.
 */
final class Between
{
    /** The severity, and where two faults are together that of the second. */
    public const FACTORS = ['severity', 'other severity'];

    /** Deviation of t, 1/√12. */
    private const STEP = 0.2886751345948129;

    /** Of b: the deviation of t² about its mean there, 1/√180. */
    private const UNSAID = 0.08;

    /** At the last of the steps the row beyond is not known: of the step, what is left unsaid. */
    private const END = 0.05;

    /**
     * @param list<Row> $rows   by severity; of two faults every one of the first with every one of the second
     * @param list<int> $counts severities of each fault
     *
     * @return list<Row>
     */
    public static function rows(array $rows, array $counts, Row $sound): array
    {
        if (\count($rows) < 2) {
            return $rows;
        }
        $moved = [];
        foreach ($rows as $at => $row) {
            $moves = $row->moves;
            $unsaid = 0.0;
            $stride = \count($rows);
            foreach ($row === $sound || !self::isNumber($row) ? [] : $counts as $which => $count) {
                $stride = intdiv($stride, $count);
                $place = intdiv($at, $stride) % $count;
                $up = $place + 1 < $count ? $rows[$at + $stride] : null;
                $down = $place > 0 ? $rows[$at - $stride] : null;
                [$slope, $left] = self::slope(
                    null !== $up && self::isNumber($up) ? $up->z - $row->z : null,
                    null !== $down && self::isNumber($down) ? $row->z - $down->z : null,
                );
                if (0.0 !== $slope) {
                    $moves[self::FACTORS[$which]] = self::STEP * $slope;
                    $unsaid = hypot($unsaid, $left);
                }
            }
            $moved[] = $moves === $row->moves ? $row : new Row($row->shown, $row->z, hypot($row->sigma, $unsaid), $moves);
        }

        return $moved;
    }

    /**
     * @param float|null $up   to the next severity on the line
     * @param float|null $down from the one before
     *
     * @return array{float, float} move for a whole step, and what that leaves unsaid
     */
    private static function slope(?float $up, ?float $down): array
    {
        if (null === $up || null === $down) {
            $only = $up ?? $down ?? 0.0;

            return [$only, self::END * abs($only)];
        }
        $bend = 0.5 * abs($up - $down);
        if ($bend <= 0.25 * abs($up + $down)) {
            return [0.5 * ($up + $down), self::UNSAID * $bend];
        }
        // A step to what is as good as open, or there and back again: the nearer row says more.
        $nearer = abs($up) < abs($down) ? $up : $down;

        return [$nearer, self::END * abs($nearer)];
    }

    private static function isNumber(Row $row): bool
    {
        return ShownKind::Value === $row->shown->kind || ShownKind::Over === $row->shown->kind;
    }
}
