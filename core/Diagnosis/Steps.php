<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Instrument\ShownKind;

/**
 * The rows of one cause by its severities, most of them from those beside: as a fault gets worse a reading goes one way, so that a
 * step between two that read alike reads as they do, and one between two that move alike with the factors moves as they do.
 */
final class Steps
{
    /** Of the spread of one reading, up to which two rows are alike; what a factor does by one deviation counts as much. */
    private const ALIKE = 0.05;

    /** The same, up to which two rows move alike: the one between them is then off by less than half of it. */
    private const MOVE_ALIKE = 0.2;

    /**
     * Steps from one row that is worked out in any case to the next: two decades where steps are half of one, four where no reading was
     * seen to change between steps of ten times. Within them nothing comes and goes again.
     */
    private const STRIDE = 4;

    /** Volts on a lamp. */
    private const ALIKE_VOLTS = 1e-3;

    /**
     * @param list<Change|null>                     $changes by severity
     * @param \Closure(Change|null, Row|null): Row $row     works one out; the moves are given where they are those of the rows beside it
     *
     * @return list<Row>
     */
    public static function rows(array $changes, \Closure $row): array
    {
        $last = \count($changes) - 1;
        $rows = $last < 0 ? [] : [$row($changes[0], null)];
        for ($from = 0; $from < $last; $from = $to) {
            $to = min($from + self::STRIDE, $last);
            $rows[$to] = $row($changes[$to], null);
            $rows = self::within($changes, $row, $rows, $from, $to);
        }
        ksort($rows);

        return array_values($rows);
    }

    /**
     * @param list<Change|null>                     $changes
     * @param \Closure(Change|null, Row|null): Row $row
     * @param array<int, Row>                       $rows    of both ends, and before them
     *
     * @return array<int, Row> with those between the ends
     */
    private static function within(array $changes, \Closure $row, array $rows, int $from, int $to): array
    {
        if ($to - $from < 2) {
            return $rows;
        }
        if (self::areAlike($rows[$from], $rows[$to])) {
            return $rows + array_fill($from, $to - $from, $rows[$from]);
        }
        $middle = intdiv($from + $to, 2);
        $rows[$middle] = $row($changes[$middle], self::between($rows[$from], $rows[$to]));

        return self::within($changes, $row, self::within($changes, $row, $rows, $from, $middle), $middle, $to);
    }

    private static function areAlike(Row $one, Row $other): bool
    {
        if ($one === $other) {
            return true;
        }
        $sigma = min($one->sigma, $other->sigma);
        if ($one->shown->kind !== $other->shown->kind || abs($one->z - $other->z) > self::ALIKE * $sigma || !self::moveAlike($one, $other, self::ALIKE * $sigma)) {
            return false;
        }
        foreach ($one->shown->levels as $at => $level) {
            if (abs($level - $other->shown->levels[$at]) > self::ALIKE_VOLTS) {
                return false;
            }
        }

        return true;
    }

    /** What lies in the middle of two numbers that move alike. */
    private static function between(Row $one, Row $other): ?Row
    {
        if (ShownKind::Value !== $one->shown->kind || ShownKind::Value !== $other->shown->kind || !self::moveAlike($one, $other, self::MOVE_ALIKE * min($one->sigma, $other->sigma))) {
            return null;
        }
        $moves = [];
        foreach ($one->moves as $factor => $move) {
            $moves[$factor] = 0.5 * ($move + $other->moves[$factor]);
        }

        return new Row($one->shown, 0.5 * ($one->z + $other->z), 0.5 * ($one->sigma + $other->sigma), $moves);
    }

    private static function moveAlike(Row $one, Row $other, float $near): bool
    {
        if (abs($one->sigma - $other->sigma) > $near || array_keys($one->moves) !== array_keys($other->moves)) {
            return false;
        }
        foreach ($one->moves as $factor => $move) {
            if (abs($move - $other->moves[$factor]) > $near) {
                return false;
            }
        }

        return true;
    }
}
