<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ShownKind;

/**
 * All factors of the house off at once, some up and some down: how far a cause's reading then lies from where its moves put it is
 * what straight lines, and factors that are not asked for with this tester, leave unsaid of it; it is noise to the ranking.
 *
 * With second derivatives H the distance is ½·sᵀHs for the signs s, of the size of the deviation of ½·θᵀHθ for normal θ. What two
 * factors do together can cancel for some signs: there are two patterns, in which neighbours agree and differ, and their mean square counts.
 */
final readonly class Probe
{
    /** In how long runs the signs alternate. */
    private const RUNS = [1, 2];

    /** @param list<array{array<string, float>, Bench}> $patterns signs of the factors, and the house with all of them off */
    private function __construct(private array $patterns)
    {
    }

    /** @param bool $isPrepared whether so many causes will be asked for that one more elimination is worth it */
    public static function of(House $house, Bench $base, bool $isPrepared): self
    {
        // What comes from outside is followed along its own curve: up, where its move is exact.
        $all = Factors::spreads($house);
        $spreads = array_intersect_key($all, [Factors::OUTSIDE => true]) + $all;
        $patterns = [];
        foreach (self::RUNS as $run) {
            $signs = $off = [];
            foreach (array_keys($spreads) as $at => $factor) {
                $signs[$factor] = 0 === intdiv($at, $run) % 2 ? 1.0 : -1.0;
                $off[$factor] = $signs[$factor] * $spreads[$factor];
            }
            $bench = $base->off(new Factors($off));
            if ($isPrepared) {
                $bench->prepare(false);
            }
            $patterns[] = [$signs, $bench];
        }

        return new self($patterns);
    }

    /** @return float what the moves of a cause's row leave unsaid, as a deviation on the display's line */
    public function unsaid(Display $display, Row $row, Change $change): float
    {
        $square = 0.0;
        foreach ($this->patterns as [$signs, $bench]) {
            $shown = $bench->read($change);
            if (ShownKind::Nothing !== $shown->kind) {
                $straight = $row->z;
                foreach (array_intersect_key($row->moves, $signs) as $factor => $move) {
                    $straight += $signs[$factor] * $move;
                }
                $square += ($display->z($shown->value) - $straight) ** 2 / \count(self::RUNS);
            }
        }

        return sqrt($square);
    }
}
