<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\Factors;
use YellowProbe\Instrument\Unit;

/** What the fit asks of one row beside one reading again and again. */
final class Term
{
    /** What moves a row no further does not move it. */
    public const STILL = 1e-9;

    /** One deviation of what comes from outside, of its logarithm. */
    private const STEP = Factors::SPREADS[Factors::OUTSIDE];

    /** @var array<int, float>|null the covariance of the factors times the moves, once {@see SoundFit} has worked it out */
    public ?array $carried = null;

    /**
     * @param list<int>   $at       places of its factors, rising
     * @param array<int, float> $moves on the display's line, for a deviation of each, half-way between up and down
     * @param list<array{int, int, float}> $bends places of two moves in the list, or of one twice, and by which one grows with each deviation of the other's factor; few
     * @param array{int, float, float}|null $source place of the move that is a source's, what is shown without its growth, and what that adds for each e^(s·θ) − 1
     * @param float       $variance of the reading there, its own noise and the width of its cell
     * @param float       $z        where the row lies
     * @param float       $sigma    the row's own deviation
     * @param float       $weight   of the reading with the factors free
     * @param float       $log      log-probability with the factors free
     * @param bool        $isPlain  no number is involved: what the factors do does not matter
     */
    private function __construct(public readonly array $at, public readonly array $moves, private readonly array $bends, private readonly ?array $source, public readonly float $variance, public readonly float $z, public readonly float $sigma, public readonly float $weight, public readonly float $log, public readonly bool $isPlain)
    {
    }

    /** A reading or a row that is no number. */
    public static function plain(float $log): self
    {
        return new self([], [], [], null, 1.0, 0.0, 1.0, 0.0, $log, true);
    }

    /**
     * @param float              $z       where the row lies
     * @param float              $sigma   its own deviation
     * @param array<int, float>  $moves   by place of the factor, rising; {@see STILL}
     * @param float              $log     log-probability with the factors free
     * @param array<string, int> $factors factor => place in the system
     */
    public static function of(float $z, float $sigma, array $moves, float $log, Evidence $piece, Cell $cell, array $factors): self
    {
        $at = array_keys($moves);
        $outside = $moves[$factors[Factors::OUTSIDE] ?? -1] ?? null;
        $moves = array_values($moves);
        $source = null;
        if (null !== $outside && \in_array($piece->measurement->instrument->unit(), [Unit::Volt, Unit::Ampere], true)) {
            $source = self::source($z, $outside, (int) array_search($factors[Factors::OUTSIDE], $at, true));
        }
        $bends = [];
        $table = $piece->table();
        if ([] !== $table->bends) {
            $place = array_flip($at);
            // A row far from the sound house's has little to do with what bends that.
            $near = exp(-abs($z - $table->rows->zs[PredictionTable::SOUND]));
            foreach ($table->bends as [$one, $other, $bend]) {
                if (null !== $source && Factors::OUTSIDE === $one && $one === $other) {
                    continue;
                }
                [$p, $q] = [$place[$factors[$one] ?? -1] ?? null, $place[$factors[$other] ?? -1] ?? null];
                if (null !== $p && null !== $q) {
                    $bends[] = [$p, $q, $near * $bend];
                    // Moves are those of one deviation up: half of its own bend is in them.
                    $moves[$p] -= $p === $q ? 0.5 * $near * $bend : 0.0;
                }
            }
        }
        $variance = $sigma ** 2 + $cell->variance;

        return new self($at, $moves, $bends, $source, $variance, $z, $sigma, max(0.0, 1.0 - $cell->slip / exp($log)) / $variance, $log, false);
    }

    /**
     * What comes from outside is a source: volts and currents grow with its multiplier, R(θ) = R₀ + B·(e^(s·θ) − 1), with B from
     * one deviation up. On the display's line that is far from straight once the source is most of what is read.
     *
     * @return array{int, float, float}
     */
    private static function source(float $z, float $outside, int $place): array
    {
        $shown = sinh($z);

        return [$place, $shown, (sinh($z + $outside) - $shown) / (exp(self::STEP) - 1.0)];
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
        if (null !== $this->source) {
            [$p, $shown, $grows] = $this->source;
            $deviations = $theta[$this->at[$p]];
            $moved += asinh(abs($shown + $grows * expm1(self::STEP * $deviations))) - $this->z - $this->moves[$p] * $deviations;
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
        if (null !== $this->source) {
            [$p, $shown, $grows] = $this->source;
            $times = exp(self::STEP * $theta[$this->at[$p]]);
            $then = $shown + $grows * ($times - 1.0);
            $slopes[$p] += ($then < 0.0 ? -1.0 : 1.0) * self::STEP * $grows * $times / sqrt(1.0 + $then * $then) - $this->moves[$p];
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
        if ([] === $this->bends && null === $this->source) {
            return $this;
        }
        $slopes = $this->slopes($theta);
        $straight = 0.0;
        foreach ($this->at as $p => $f) {
            $straight += $slopes[$p] * $theta[$f];
        }

        return new self($this->at, $slopes, [], null, $this->variance, $this->z + $this->moved($theta) - $straight, $this->sigma, $this->weight, $this->log, $this->isPlain);
    }
}
