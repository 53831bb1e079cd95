<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * A circuit as stops along a line: what the wiring says, not what the survey claims.
 *
 * The longest run is row 0, branches (spurs, switch drops) lie below; a cable that leads back to the board closes a ring.
 */
final class LineMap
{
    /** @var array<string, array{part: string, column: int, row: int, after: string|null, cables: list<string>}> */
    private array $stops = [];

    /** @var array<string, list<array{string, string}>> part => cables and the part at their other end */
    private array $around = [];

    /** @var array<string, true> */
    private array $used = [];

    /** @var array<string, true> "column,row" */
    private array $taken = [];

    /** @var list<array{from: string|null, to: string|null, cable: string}> joins that are no tree edge: a ring's return, a bridge */
    private array $returns = [];

    private function __construct(private readonly House $house, string $circuit)
    {
        $cables = $house->cables;
        uksort($cables, strnatcmp(...));
        foreach ($cables as $cable) {
            if ($cable->circuit !== $circuit) {
                continue;
            }
            foreach (self::joins($house, $cable) as [$a, $b]) {
                $this->around[$a][] = [$cable->id, $b];
                $this->around[$b][] = [$cable->id, $a];
            }
        }
    }

    /** @return array{stops: list<array{part: string, column: int, row: int, after: string|null, cables: list<string>}>, returns: list<array{from: string|null, to: string|null, cable: string}>, ring: bool} */
    public static function of(House $house, string $circuit): array
    {
        return Known::once($house, "line map of $circuit", static fn (): array => self::drawn($house, $circuit));
    }

    /**
     * @param list<array{part: string, column: int, row: int, after: string|null, cables: list<string>}> $stops
     *
     * @return list<string> a point, and the points and cables that hang on it
     */
    public static function behind(array $stops, string $part): array
    {
        $behind = [$part];
        foreach ($stops as $stop) {
            if ($stop['after'] === $part) {
                array_push($behind, ...$stop['cables'], ...self::behind($stops, $stop['part']));
            }
        }

        return $behind;
    }

    /** @return array{stops: list<array{part: string, column: int, row: int, after: string|null, cables: list<string>}>, returns: list<array{from: string|null, to: string|null, cable: string}>, ring: bool} */
    private static function drawn(House $house, string $circuit): array
    {
        $map = new self($house, $circuit);
        $column = 0;
        foreach ($map->around['@board'] ?? [] as [$cable, $part]) {
            if (!isset($map->used[$cable]) && '@board' !== $part) {
                $column = $map->walk($part, null, $cable, $column, 0);
            }
        }

        return [
            'stops' => array_values($map->stops),
            'returns' => $map->returns,
            'ring' => [] !== array_filter($map->returns, static fn (array $return): bool => null === $return['to']),
        ];
    }

    /** @return int the next free column of row 0 */
    private function walk(string $part, ?string $after, string $cable, int $column, int $row): int
    {
        $this->used[$cable] = true;
        if (isset($this->stops[$part])) {
            if ($this->stops[$part]['after'] === $after) {
                $this->stops[$part]['cables'][] = $cable;
            } else {
                $this->returns[] = ['from' => $after, 'to' => $part, 'cable' => $cable];
            }

            return $column;
        }
        while (isset($this->taken["$column,$row"])) {
            ++$row;
        }
        $this->taken["$column,$row"] = true;
        $this->stops[$part] = ['part' => $part, 'column' => $column, 'row' => $row, 'after' => $after, 'cables' => [$cable]];
        $next = array_values(array_filter($this->around[$part] ?? [], fn (array $join): bool => !isset($this->used[$join[0]])));
        // The deepest run goes on along the line; the rest hang below this stop.
        usort($next, fn (array $a, array $b): int => $this->depth($b[1], [$part => true]) <=> $this->depth($a[1], [$part => true]));
        $onward = $column + 1;
        $straight = null;
        foreach ($next as [$other, $to]) {
            // A switch hangs on its drop, below its light; only from switch to switch does a line run on.
            if (null === $straight && '@board' !== $to && ('switch' !== $this->kind($to) || 'switch' === $this->kind($part))) {
                $straight = $other;
            }
        }
        foreach ($next as [$other, $to]) {
            if ('@board' === $to) {
                $this->used[$other] = true;
                $this->returns[] = ['from' => $part, 'to' => null, 'cable' => $other];
            } elseif (!isset($this->used[$other])) {
                $end = $other === $straight ? $this->walk($to, $part, $other, $column + 1, $row) : $this->walk($to, $part, $other, $column, $row + 1);
                $onward = max($onward, $end);
            }
        }

        return $onward;
    }

    /** @param array<string, true> $seen */
    private function depth(string $part, array $seen): int
    {
        if ('@board' === $part || isset($seen[$part])) {
            return 0;
        }
        $deepest = 0;
        foreach ($this->around[$part] ?? [] as [$cable, $to]) {
            if (!isset($this->used[$cable])) {
                $deepest = max($deepest, $this->depth($to, $seen + [$part => true]));
            }
        }

        // A switch ends its drop: a light beats it as the way on.
        return $deepest + ('switch' === $this->kind($part) ? 0 : 1);
    }

    private function kind(string $part): string
    {
        return $this->house->parts[$part]->kind;
    }

    /** @return list<array{string, string}> the parts each cable joins, the board as one */
    private static function joins(House $house, Cable $cable): array
    {
        $joins = [];
        foreach ($cable->cores as $core) {
            if (null === $core->ends[0] || null === $core->ends[1]) {
                continue;
            }
            [$a, $b] = [self::end($house, $core->ends[0]), self::end($house, $core->ends[1])];
            $joins["$a|$b"] = [$a, $b];
        }

        return array_values($joins);
    }

    private static function end(House $house, string $terminal): string
    {
        $part = $house->partOf($terminal);

        return 'board' === $house->places[$part->place]->kind ? '@board' : $part->id;
    }
}
