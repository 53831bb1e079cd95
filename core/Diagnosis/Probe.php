<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ShownKind;

/**
 * All factors of the house off at once, one up and the next down: how far a cause's reading then lies from where its moves put
 * it is what straight lines, and factors that are not asked for with this tester, leave unsaid of it; it is noise to the ranking.
 *
 * With second derivatives H the distance is ½·sᵀHs for the signs s, of the size of the deviation of ½·θᵀHθ for normal θ.
 */
final readonly class Probe
{
    /** @param list<string> $factors in the order of their signs */
    private function __construct(private array $factors, public Bench $bench)
    {
    }

    public static function of(House $house, Measurement $measurement): self
    {
        $off = [];
        // What comes from outside is followed along its own curve: up, where its move is exact.
        $all = Factors::spreads($house);
        $spreads = array_intersect_key($all, [Factors::OUTSIDE => true]) + $all;
        foreach (array_keys($spreads) as $at => $factor) {
            $off[$factor] = self::sign($at) * $spreads[$factor];
        }

        return new self(array_keys($off), new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, new Factors($off)));
    }

    /**
     * @param float                $z     place of the cause's reading on the display
     * @param array<string, float> $moves
     *
     * @return float deviation, on the display's line
     */
    public function unsaid(Display $display, float $z, array $moves, Change $change): float
    {
        $shown = $this->bench->read($change);
        if (ShownKind::Nothing === $shown->kind) {
            return 0.0;
        }
        foreach ($this->factors as $at => $factor) {
            $z += self::sign($at) * ($moves[$factor] ?? 0.0);
        }

        return abs($display->z($shown->value) - $z);
    }

    private static function sign(int $at): float
    {
        return 0 === $at % 2 ? 1.0 : -1.0;
    }
}
