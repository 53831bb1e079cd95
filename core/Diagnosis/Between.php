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

    /** Where no row beside it says how the line bends: of the step, what is left unsaid. */
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
                $step = static fn (int $from): ?float => $place + $from < 0 || $place + $from + 1 >= $count ? null
                    : self::step($rows[$at + $from * $stride], $rows[$at + ($from + 1) * $stride]);
                $up = $step(0);
                $down = $step(-1);
                [$slope, $left] = match (true) {
                    null !== $up && null !== $down => self::bent(0.5 * ($up + $down), 0.5 * ($up - $down), abs($up) < abs($down) ? $up : $down),
                    null !== $up => self::end($up, $step(1), 1.0),
                    null !== $down => self::end($down, $step(-2), -1.0),
                    default => [0.0, 0.0],
                };
                if (0.0 !== $slope) {
                    $moves[self::FACTORS[$which]] = self::STEP * $slope;
                    $unsaid = hypot($unsaid, $left);
                }
            }
            $moved[] = $moves === $row->moves ? $row : new Row($row->shown, $row->z, hypot($row->sigma, $unsaid), $moves);
        }

        return $moved;
    }

    /** How far the reading goes from one severity to the next; null where one of them is no number. */
    private static function step(Row $from, Row $to): ?float
    {
        return self::isNumber($from) && self::isNumber($to) ? $to->z - $from->z : null;
    }

    /**
     * At the last of the steps the row beyond is not known; the two steps on the way to it say how the line bends.
     *
     * @param float|null $before the step before it, going outwards
     * @param float      $inward in which direction along the line they lie: 1 at its beginning, −1 at its end
     *
     * @return array{float, float} move for a whole step, and what that leaves unsaid
     */
    private static function end(float $last, ?float $before, float $inward): array
    {
        $bend = $inward * 0.5 * (($before ?? $last) - $last);

        return null === $before ? [$last, self::END * abs($last)] : self::bent($last - $inward * $bend, $bend, $last);
    }

    /**
     * @param float $nearer the step to the nearer row: it says more where the other goes to what is as good as open, or back again
     *
     * @return array{float, float} move for a whole step, and what that leaves unsaid
     */
    private static function bent(float $slope, float $bend, float $nearer): array
    {
        return abs($bend) <= 0.5 * abs($slope) ? [$slope, self::UNSAID * abs($bend)] : [$nearer, self::END * abs($nearer)];
    }

    private static function isNumber(Row $row): bool
    {
        return ShownKind::Value === $row->shown->kind || ShownKind::Over === $row->shown->kind;
    }
}
