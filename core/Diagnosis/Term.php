<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** What the fit asks of one row beside one reading again and again. */
final class Term
{
    private const STILL = 1e-9;

    /** @var array<int, float>|null the covariance of the factors times the moves, once {@see SoundFit} has worked it out */
    public ?array $carried = null;

    /**
     * @param list<int>   $at       places of its factors, rising
     * @param list<float> $moves    on the display's line, for a deviation of each
     * @param float       $variance of the reading there, its own noise and the width of its cell
     * @param float       $z        where the row lies
     * @param float       $sigma    the row's own deviation
     * @param float       $weight   of the reading with the factors free
     * @param float       $log      log-probability with the factors free
     * @param bool        $isPlain  no number is involved: what the factors do does not matter
     */
    private function __construct(public readonly array $at, public readonly array $moves, public readonly float $variance, public readonly float $z, public readonly float $sigma, public readonly float $weight, public readonly float $log, public readonly bool $isPlain)
    {
    }

    /**
     * @param float              $log     log-probability with the factors free
     * @param array<string, int> $factors factor => place in the system
     */
    public static function of(Row $row, float $log, Evidence $piece, Cell $cell, array $factors): self
    {
        if (null !== $piece->display->plainProbability($row->shown, $piece->reading)) {
            return new self([], [], 1.0, 0.0, 1.0, 0.0, $log, true);
        }
        $moves = [];
        foreach ($row->moves as $factor => $move) {
            if (isset($factors[$factor]) && abs($move) > self::STILL) {
                $moves[$factors[$factor]] = $move;
            }
        }
        ksort($moves);
        $variance = $row->sigma ** 2 + $cell->variance;

        return new self(array_keys($moves), array_values($moves), $variance, $row->z, $row->sigma, max(0.0, 1.0 - $cell->slip / exp($log)) / $variance, $log, false);
    }

    /**
     * How far so many deviations of each factor move the row.
     *
     * @param array<int, float> $theta
     */
    public function moved(array $theta): float
    {
        $moved = 0.0;
        foreach ($this->at as $p => $f) {
            $moved += $this->moves[$p] * $theta[$f];
        }

        return $moved;
    }
}
