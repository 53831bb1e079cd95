<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;

/**
 * One reading held against the rows of its table: with the factors free, and where the house as surveyed has them. Most rows are
 * asked nothing else, and are then not made at all.
 */
final class ReadingFit
{
    /** Of the sound row's own deviation, within which a row that moves as that does moves as far. */
    private const CLOSE = 0.05;

    /** Deviations of all that moves the reading within which the factors may have gone there. */
    private const REACHED = 5.0;

    /** Nats that a reading has to gain by being followed for the factors to be thought to go there. */
    private const GAINS = 1.0;

    /** @var list<float> log-probability with the factors free, by place of the row */
    public readonly array $glances;

    private readonly Rows $rows;

    /** @var array<int, int> {@see Rows::columns} */
    private readonly array $columns;

    /** Whether a row goes with each factor in a straight line. */
    private readonly bool $isStraight;

    /** @var array<int, Term> by place of the row, those made so far */
    private array $terms = [];

    /** @var array<int, Term> the same, straightened at the fit of the house as surveyed */
    private array $straight = [];

    /** @var array<int, float> log-probability with the factors as the house as surveyed has them */
    private array $there = [];

    /** @var array<int, array{float, float, float}> {@see prospect} */
    private array $prospects = [];

    /** @var array<int, float> the factors as the house as surveyed has them */
    private array $theta = [];

    /** Log-probability of the reading in that. */
    private float $sound = 0.0;

    /** How far they move the sound row. */
    private float $moved = 0.0;

    /**
     * @param array<string, int> $factors factor => place in the system
     * @param string|null        $again   factor that it shares with others of the same test
     */
    public function __construct(private readonly Evidence $piece, private readonly Cell $cell, private readonly array $factors, private readonly ?string $again)
    {
        $table = $piece->table();
        $this->rows = $table->rows;
        $this->columns = $this->rows->columns($factors);
        $this->glances = Glance::at($this->rows, $piece, $cell, $factors);
        $this->isStraight = [] === $table->bends && null === $again && !\in_array($piece->measurement->instrument->unit(), [Unit::Volt, Unit::Ampere], true);
    }

    /**
     * @param array<int, float> $theta the factors as the house as surveyed has them
     * @param float             $sound log-probability of the reading in that
     */
    public function fitted(array $theta, float $sound): void
    {
        $this->theta = $theta;
        $this->sound = $sound;
        $this->moved = $this->term(PredictionTable::SOUND)->moved($theta);
    }

    public function term(int $place): Term
    {
        return $this->terms[$place] ??= $this->made($place);
    }

    /** As a straight line where the factors are beside the sound house. */
    public function straight(int $place): Term
    {
        return $this->straight[$place] ??= $this->term($place)->straight($this->theta);
    }

    /** Log-probability with the factors as the house as surveyed has them. */
    public function there(int $place): float
    {
        return $this->there[$place] ??= $this->isPlain($place) ? $this->glances[$place] : $this->cell->log($this->rows->zs[$place] + $this->movedThere($place), $this->deviation($place));
    }

    /** @return array{float, float, float} nats above the sound house with the factors to itself or as that has them, the same gone to where it wants them, and by how many deviations these go; none where they gain nothing by that */
    public function prospect(int $place): array
    {
        return $this->prospects[$place] ??= $this->worked($place);
    }

    /** @return array{float, float, float} */
    private function worked(int $place): array
    {
        $free = max($this->glances[$place], $this->there($place)) - $this->sound;
        if (!$this->cell->isNumber || $this->isPlain($place)) {
            return [$free, $free, 0.0];
        }
        $sigma = $this->rows->sigmas[$place];
        $deviations = abs($this->cell->place - $this->rows->zs[$place]) / sqrt($sigma ** 2 + $this->cell->variance + $this->rows->reach($place));
        $followed = $deviations < self::REACHED ? $this->cell->followed($this->deviation($place)) - $this->sound : -\INF;

        // What many readings would gain by a little each, no factors can give to all of them.
        return $followed > $free + self::GAINS ? [$free, $followed, $deviations] : [$free, $free, 0.0];
    }

    private function movedThere(int $place): float
    {
        if (null === $this->again && $this->rows->reach($place) === $this->rows->reach(PredictionTable::SOUND) && abs($this->rows->zs[$place] - $this->rows->zs[PredictionTable::SOUND]) <= self::CLOSE * $this->rows->sigmas[PredictionTable::SOUND]) {
            return $this->moved;
        }
        if (!$this->isStraight) {
            return $this->term($place)->moved($this->theta);
        }
        $moved = 0.0;
        foreach ($this->rows->moves($place, $this->columns, Term::STILL) as $factor => $move) {
            $moved += $move * $this->theta[$factor];
        }

        return $moved;
    }

    /** Of the reading's own noise. */
    private function deviation(int $place): float
    {
        return null === $this->again ? $this->rows->sigmas[$place] : $this->term($place)->sigma;
    }

    private function isPlain(int $place): bool
    {
        return $this->cell->isPlain || ShownKind::Nothing === $this->rows->kind($place);
    }

    private function made(int $place): Term
    {
        $log = $this->glances[$place];
        if ($this->isPlain($place)) {
            return Term::plain($log);
        }
        $sigma = $this->rows->sigmas[$place];
        $moves = $this->rows->moves($place, $this->columns, Term::STILL);
        if (null !== $this->again) {
            [$sigma, $shared] = Repeated::shared($this->rows->row($place)->shown, $sigma, $this->piece->display);
            if ($shared > Term::STILL) {
                $moves[$this->factors[$this->again]] = $shared;
                ksort($moves);
            }
        }

        return Term::of($this->rows->zs[$place], $sigma, $moves, $log, $this->piece, $this->cell, $this->factors);
    }
}
