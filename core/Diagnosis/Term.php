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
     * @param array<int, float> $moves on the display's line, for a deviation of each, half-way between up and down
     * @param list<array{int, int, float}> $bends places of two moves in the list, or of one twice, and by which one grows with each deviation of the other's factor; few
     * @param float       $variance of the reading there, its own noise and the width of its cell
     * @param float       $z        where the row lies
     * @param float       $sigma    the row's own deviation
     * @param float       $weight   of the reading with the factors free
     * @param float       $log      log-probability with the factors free
     * @param bool        $isPlain  no number is involved: what the factors do does not matter
     */
    private function __construct(public readonly array $at, public readonly array $moves, private readonly array $bends, public readonly float $variance, public readonly float $z, public readonly float $sigma, public readonly float $weight, public readonly float $log, public readonly bool $isPlain)
    {
    }

    /**
     * @param float              $log     log-probability with the factors free
     * @param array<string, int> $factors factor => place in the system
     */
    public static function of(Row $row, float $log, Evidence $piece, Cell $cell, array $factors): self
    {
        if (null !== $piece->display->plainProbability($row->shown, $piece->reading)) {
            return new self([], [], [], 1.0, 0.0, 1.0, 0.0, $log, true);
        }
        $moves = [];
        foreach ($row->moves as $factor => $move) {
            if (isset($factors[$factor]) && abs($move) > self::STILL) {
                $moves[$factors[$factor]] = $move;
            }
        }
        ksort($moves);
        $place = array_flip(array_keys($moves));
        $moves = array_values($moves);
        $bends = [];
        $table = $piece->table();
        // A row far from the sound house's has little to do with what bends that.
        $near = [] === $table->bends ? 0.0 : exp(-abs($row->z - $table->sound()->z));
        foreach ($table->bends as [$one, $other, $bend]) {
            [$p, $q] = [$place[$factors[$one] ?? -1] ?? null, $place[$factors[$other] ?? -1] ?? null];
            if (null !== $p && null !== $q) {
                $bends[] = [$p, $q, $near * $bend];
                // Moves are those of one deviation up: half of its own bend is in them.
                $moves[$p] -= $p === $q ? 0.5 * $near * $bend : 0.0;
            }
        }
        $variance = $row->sigma ** 2 + $cell->variance;

        return new self(array_keys($place), $moves, $bends, $variance, $row->z, $row->sigma, max(0.0, 1.0 - $cell->slip / exp($log)) / $variance, $log, false);
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
        foreach ($this->bends as [$p, $q, $bend]) {
            $moved += ($p === $q ? 0.5 : 1.0) * $bend * $theta[$this->at[$p]] * $theta[$this->at[$q]];
        }

        return $moved;
    }

    /**
     * The moves where the factors are.
     *
     * @param array<int, float> $theta
     *
     * @return array<int, float> by the place of the move in the list
     */
    public function slopes(array $theta): array
    {
        $slopes = $this->moves;
        foreach ($this->bends as [$p, $q, $bend]) {
            $slopes[$p] += $bend * $theta[$this->at[$q]];
            if ($p !== $q) {
                $slopes[$q] += $bend * $theta[$this->at[$p]];
            }
        }

        return $slopes;
    }

    /**
     * The same row straightened where the factors are: its tangent there.
     *
     * @param array<int, float> $theta
     */
    public function straight(array $theta): self
    {
        if ([] === $this->bends) {
            return $this;
        }
        $slopes = $this->slopes($theta);
        $straight = 0.0;
        foreach ($this->at as $p => $f) {
            $straight += $slopes[$p] * $theta[$f];
        }

        return new self($this->at, $slopes, [], $this->variance, $this->z + $this->moved($theta) - $straight, $this->sigma, $this->weight, $this->log, $this->isPlain);
    }
}
