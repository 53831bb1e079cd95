<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;

/**
 * The rows of a table, each known by its place. Most are only glanced at: what a glance needs is at hand column by column,
 * the rest stays packed until a row is asked for, so that a table that was kept is read back in a fraction of the time.
 */
final class Rows implements \Countable
{
    /** @var array<string, ShownKind> by letter */
    private const KINDS = ['v' => ShownKind::Value, 'o' => ShownKind::Over, 'n' => ShownKind::Nothing, 'p' => ShownKind::Pattern];

    private const BYTES = 8;

    /**
     * @param string                  $kinds   a letter for each row
     * @param list<float>             $zs      {@see Row}
     * @param list<float>             $sigmas
     * @param list<float>             $squares sum of the squares of all moves
     * @param list<string>            $factors that rows may move with
     * @param string                  $packed  row by row as doubles: value, through, a move for each factor, or not a number
     * @param array<int, list<float>> $levels  of patterns, by place
     * @param array<int, Row>         $made    by place, those made so far
     */
    private function __construct(private string $kinds, public array $zs, public array $sigmas, private array $squares, private array $factors, private string $packed, private array $levels, private array $made = [])
    {
    }

    /** @param list<Row> $rows */
    public static function of(array $rows): self
    {
        $factors = [];
        foreach ($rows as $row) {
            $factors += $row->moves;
        }
        $factors = array_map(strval(...), array_keys($factors));
        $kinds = $packed = '';
        $zs = $sigmas = $squares = $levels = [];
        foreach ($rows as $place => $row) {
            $kinds .= array_search($row->shown->kind, self::KINDS, true);
            $zs[] = $row->z;
            $sigmas[] = $row->sigma;
            $squares[] = self::square($row->moves);
            $packed .= self::pack($row, $factors);
            if ([] !== $row->shown->levels) {
                $levels[$place] = $row->shown->levels;
            }
        }

        return new self($kinds, $zs, $sigmas, $squares, $factors, $packed, $levels, $rows);
    }

    public function count(): int
    {
        return \strlen($this->kinds);
    }

    /** These rows, and behind them others. */
    public function and(self $other): self
    {
        $levels = $this->levels;
        foreach ($other->levels as $place => $list) {
            $levels[$this->count() + $place] = $list;
        }
        $factors = [...$this->factors, ...array_diff($other->factors, $this->factors)];

        return new self($this->kinds.$other->kinds, [...$this->zs, ...$other->zs], [...$this->sigmas, ...$other->sigmas], [...$this->squares, ...$other->squares], $factors, $this->packedFor($factors).$other->packedFor($factors), $levels);
    }

    /**
     * These rows, and behind them those of some places that a factor moves, moved by another in its stead.
     *
     * @param list<int> $places
     *
     * @return array{self, array<int, int>} and where each of them is found
     */
    public function moved(array $places, string $factor, string $other): array
    {
        $from = array_search($factor, $this->factors, true);
        if (false === $from) {
            return [$this, []];
        }
        $factors = \in_array($other, $this->factors, true) ? $this->factors : [...$this->factors, $other];
        $at = static fn (int $which): int => self::BYTES * (2 + $which);
        [$taken, $given, $width, $none] = [$at($from), $at((int) array_search($other, $factors, true)), $at(\count($factors)), pack('e', \NAN)];
        [$kinds, $zs, $sigmas, $squares, $packed, $levels] = [$this->kinds, $this->zs, $this->sigmas, $this->squares, $this->packedFor($factors), $this->levels];
        $found = [];
        foreach ($places as $place) {
            $row = substr($packed, $width * $place, $width);
            $move = substr($row, $taken, self::BYTES);
            if ($move === $none) {
                continue;
            }
            $found[$place] = \count($zs);
            $kinds .= $kinds[$place];
            $zs[] = $zs[$place];
            $sigmas[] = $sigmas[$place];
            $squares[] = $squares[$place];
            $packed .= substr_replace(substr_replace($row, $move, $given, self::BYTES), $none, $taken, self::BYTES);
        }

        return [new self($kinds, $zs, $sigmas, $squares, $factors, $packed, $levels, $this->made), $found];
    }

    public function row(int $place): Row
    {
        return $this->made[$place] ??= $this->make($place);
    }

    public function kind(int $place): ShownKind
    {
        return self::KINDS[$this->kinds[$place]];
    }

    /**
     * Where the moves of free factors stand in each row, in the order in which these come.
     *
     * @param array<string, int> $factors factor => its place in a system
     *
     * @return array<int, int> column => the factor's place
     */
    public function columns(array $factors): array
    {
        $columns = [];
        foreach ($this->factors as $column => $factor) {
            if (isset($factors[$factor])) {
                $columns[$column] = $factors[$factor];
            }
        }
        asort($columns);

        return $columns;
    }

    /**
     * What such factors move a row by, without the row being made: for those who ask it of thousands.
     *
     * @param array<int, int> $columns {@see columns}
     * @param float           $still   what moves it no further is left out
     *
     * @return array<int, float> by the factor's place, in their order
     */
    public function moves(int $place, array $columns, float $still): array
    {
        $width = 2 + \count($this->factors);
        /** @var array<int, float> $doubles from 1 on, the first two are no moves */
        $doubles = unpack("e$width", $this->packed, self::BYTES * $width * $place) ?: [];
        $moves = [];
        foreach ($columns as $column => $factor) {
            // What is not a number is no further than anything.
            if (abs($doubles[3 + $column]) > $still) {
                $moves[$factor] = $doubles[3 + $column];
            }
        }

        return $moves;
    }

    /** Variance on the display's line that all factors together bring to a row. */
    public function reach(int $place): float
    {
        return $this->squares[$place];
    }

    /** How far two rows of one kind lie apart: on the display's line, or by the lamp that differs most. */
    public function apart(int $one, int $other): float
    {
        $apart = abs($this->zs[$one] - $this->zs[$other]);
        foreach ($this->levels[$one] ?? [] as $lamp => $level) {
            $apart = max($apart, abs($level - ($this->levels[$other][$lamp] ?? 0.0)));
        }

        return $apart;
    }

    /**
     * @param array<string, int> $factors that are free => anything
     *
     * @return list<float> variance that they bring to each row on the display's line
     */
    public function freed(array $factors): array
    {
        if ([] === array_diff($this->factors, array_keys($factors))) {
            return $this->squares;
        }
        $freed = [];
        for ($place = 0; $place < $this->count(); ++$place) {
            $freed[] = self::square(array_intersect_key($this->row($place)->moves, $factors));
        }

        return $freed;
    }

    /** @return array{string, string, list<string>, string, array<int, list<float>>} */
    public function __serialize(): array
    {
        return [$this->kinds, pack('e*', ...$this->zs, ...$this->sigmas, ...$this->squares), $this->factors, $this->packed, $this->levels];
    }

    /** @param array{string, string, list<string>, string, array<int, list<float>>} $data */
    public function __unserialize(array $data): void
    {
        [$this->kinds, $columns, $this->factors, $this->packed, $this->levels] = $data;
        /** @var list<float> $doubles */
        $doubles = array_values(unpack('e*', $columns) ?: []);
        $count = \strlen($this->kinds);
        $this->zs = \array_slice($doubles, 0, $count);
        $this->sigmas = \array_slice($doubles, $count, $count);
        $this->squares = \array_slice($doubles, 2 * $count);
        $this->made = [];
    }

    private function make(int $place): Row
    {
        $width = 2 + \count($this->factors);
        /** @var list<float> $doubles */
        $doubles = array_values(unpack("e$width", $this->packed, self::BYTES * $width * $place) ?: []);
        $moves = [];
        foreach ($this->factors as $at => $factor) {
            if (!is_nan($doubles[2 + $at])) {
                $moves[$factor] = $doubles[2 + $at];
            }
        }

        return new Row(match ($this->kind($place)) {
            ShownKind::Value => Shown::value($doubles[0], $doubles[1]),
            ShownKind::Over => Shown::over($doubles[0]),
            ShownKind::Nothing => Shown::nothing(),
            ShownKind::Pattern => Shown::levels($this->levels[$place]),
        }, $this->zs[$place], $this->sigmas[$place], $moves);
    }

    /** @param list<string> $factors these and perhaps more */
    private function packedFor(array $factors): string
    {
        if ($factors === $this->factors) {
            return $this->packed;
        }
        $own = \count($this->factors);
        if (0 !== $this->count() && \array_slice($factors, 0, $own) === $this->factors) {
            $more = pack('e*', ...array_fill(0, \count($factors) - $own, \NAN));

            return implode($more, str_split($this->packed, self::BYTES * (2 + $own))).$more;
        }
        $packed = '';
        for ($place = 0; $place < $this->count(); ++$place) {
            $packed .= self::pack($this->row($place), $factors);
        }

        return $packed;
    }

    /** @param list<string> $factors */
    private static function pack(Row $row, array $factors): string
    {
        return pack('e*', $row->shown->value, $row->shown->through, ...array_map(static fn (string $factor): float => $row->moves[$factor] ?? \NAN, $factors));
    }

    /** @param array<string, float> $moves */
    private static function square(array $moves): float
    {
        $square = 0.0;
        foreach ($moves as $move) {
            $square += $move * $move;
        }

        return $square;
    }
}
