<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Where the cores of a circuit leave the board. */
final class BoardEnds
{
    /** @return list<string> circuits by id */
    public static function circuits(House $house): array
    {
        $ids = array_map(static fn (Circuit $circuit): string => $circuit->id, array_values($house->circuits));
        sort($ids);

        return $ids;
    }

    /** @return list<string> the joints of a circuit's cores with this role where they land in a board */
    public static function joints(House $house, string $circuit, string $role): array
    {
        return Known::once($house, 'joints in boards', static fn (): array => self::inBoards($house))[$circuit][$role] ?? [];
    }

    /** @return array<string, array<string, list<string>>> circuit => role => joints */
    private static function inBoards(House $house): array
    {
        $joints = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach ($cable->cores as $core) {
                foreach ([1, 2] as $end) {
                    $terminal = $core->ends[$end - 1];
                    if (null !== $terminal && 'board' === $house->places[$house->partOf($terminal)->place]->kind) {
                        $joints[$cable->circuit][$core->role->value][] = $core->joint($end);
                    }
                }
            }
        }

        return $joints;
    }

    /** @return array<string, list<string>> part => its line and switched line terminals */
    private static function lineTerminals(House $house): array
    {
        $lines = [];
        foreach ($house->terminals as $terminal) {
            if (\in_array($terminal->role, [Role::Line, Role::SwitchedLine], true)) {
                $lines[$terminal->part][] = $terminal->id;
            }
        }

        return $lines;
    }

    /** @return list<string> joints that land on a terminal */
    public static function landedOn(House $house, string $terminal): array
    {
        return array_map(static fn (array $landing): string => $landing[0]->joint($landing[1]), $house->wiring->landedOn($terminal));
    }

    /** The terminal at the other end of the first conductor that lands on a terminal. */
    public static function opposite(House $house, string $terminal): ?string
    {
        foreach ($house->wiring->landedOn($terminal) as [$core, $end]) {
            return $core->ends[2 - $end];
        }

        return null;
    }

    /** Where the line of a circuit starts: the first leg of two. */
    public static function lineAtBoard(House $house, string $circuit): string
    {
        return array_values(self::linesAtBoard($house, $circuit))[0];
    }

    /** @return non-empty-array<string, string> where the lines of a circuit start: one by L, or two legs by L1 and L2 */
    public static function linesAtBoard(House $house, string $circuit): array
    {
        $way = $house->parts[$house->circuits[$circuit]->way];

        return match ($way->kind) {
            'rcbo', 'residual-device' => ['L' => $way->terminal('Lout')],
            'two-pole-breaker' => ['L1' => $way->terminal('out1'), 'L2' => $way->terminal('out2')],
            default => ['L' => $way->terminal('out')],
        };
    }

    /**
     * The line at the board that feeds a terminal, read off the wiring: of two legs the one that it hangs on.
     *
     * @param string $terminal behind whatever contact it has
     */
    public static function lineFeeding(House $house, string $circuit, string $terminal): string
    {
        $way = $house->circuits[$circuit]->way;
        $lines = Known::once($house, 'line terminals by part', static fn (): array => self::lineTerminals($house));
        $seen = [$terminal => true];
        for ($next = [$terminal]; [] !== $next;) {
            $at = array_shift($next);
            if ($house->partOf($at)->id === $way) {
                return $at;
            }
            $far = [];
            foreach ($house->wiring->landedOn($at) as [$core, $end]) {
                if ($house->cables[$core->cable]->circuit === $circuit && !\in_array($core->role, [Role::Neutral, Role::Earth], true)) {
                    $far[] = $core->ends[2 - $end];
                }
            }
            // Within a part a line goes on as a line; the two legs of a branch never meet.
            if (\in_array($house->terminals[$at]->role, [Role::Line, Role::SwitchedLine], true)) {
                array_push($far, ...$lines[$house->terminals[$at]->part]);
            }
            foreach ($far as $other) {
                if (null !== $other && !isset($seen[$other])) {
                    $seen[$other] = true;
                    $next[] = $other;
                }
            }
        }

        return self::lineAtBoard($house, $circuit);
    }

    /** @return non-empty-array<string, array{string, string}> every pair of the live conductors of a circuit and its earth at the board, by name: L–N, L–E, N–E */
    public static function pairsAtBoard(House $house, string $circuit, string $neutral, string $earth): array
    {
        $ends = self::linesAtBoard($house, $circuit) + ['N' => $neutral, 'E' => $earth];
        $pairs = [];
        foreach ($ends as $one => $from) {
            unset($ends[$one]);
            foreach ($ends as $other => $to) {
                $pairs["{$one}–{$other}"] = [$from, $to];
            }
        }

        return $pairs;
    }

    /** Where the cpc of a circuit lands at the board; null for a circuit without one. */
    public static function earthAtBoard(House $house, string $circuit): ?string
    {
        return self::landing($house, $circuit, Role::Earth);
    }

    /** Where the neutral of a circuit lands at the board; null for a circuit without one. */
    public static function neutralAtBoard(House $house, string $circuit): ?string
    {
        return self::landing($house, $circuit, Role::Neutral);
    }

    /**
     * The joints of a circuit's neutral at the board, to be lifted.
     *
     * @return list<string>
     */
    public static function neutralsAtBoard(House $house, string $circuit): array
    {
        return self::joints($house, $circuit, Role::Neutral->value);
    }

    private static function landing(House $house, string $circuit, Role $role): ?string
    {
        foreach (self::joints($house, $circuit, $role->value) as $joint) {
            [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint.");

            return $core->ends[$end - 1];
        }

        return null;
    }
}
