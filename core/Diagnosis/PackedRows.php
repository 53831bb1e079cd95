<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;

/** Rows as doubles one after the other: a table that is kept is read back in a fraction of the time, and takes a fraction of the room. */
final class PackedRows
{
    private const KINDS = [ShownKind::Value, ShownKind::Over, ShownKind::Nothing, ShownKind::Pattern];

    /**
     * @param list<Row>    $rows
     * @param list<string> $factors that rows may move with
     */
    public static function packed(array $rows, array $factors): string
    {
        $doubles = [];
        foreach ($rows as $row) {
            $shown = $row->shown;
            array_push($doubles, (int) array_search($shown->kind, self::KINDS, true), $shown->value, $shown->through, $row->z, $row->sigma, \count($shown->levels), ...$shown->levels);
            foreach ($factors as $factor) {
                $doubles[] = $row->moves[$factor] ?? \NAN;
            }
        }

        return pack('e*', ...$doubles);
    }

    /**
     * @param list<string> $factors
     *
     * @return list<Row>
     */
    public static function unpacked(string $packed, array $factors): array
    {
        /** @var list<float> $doubles */
        $doubles = array_values(unpack('e*', $packed) ?: []);
        $rows = [];
        $at = 0;
        $end = \count($doubles);
        while ($at < $end) {
            [$kind, $value, $through, $z, $sigma, $levels] = \array_slice($doubles, $at, 6);
            $at += 6;
            $shown = match (self::KINDS[(int) $kind]) {
                ShownKind::Value => Shown::value($value, $through),
                ShownKind::Over => Shown::over($value),
                ShownKind::Nothing => Shown::nothing(),
                ShownKind::Pattern => Shown::levels(\array_slice($doubles, $at, (int) $levels)),
            };
            $at += (int) $levels;
            $moves = [];
            foreach ($factors as $factor) {
                $move = $doubles[$at++];
                if (!is_nan($move)) {
                    $moves[$factor] = $move;
                }
            }
            $rows[] = new Row($shown, $z, $sigma, $moves);
        }

        return $rows;
    }
}
