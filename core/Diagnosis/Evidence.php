<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;

/** One recorded reading with the table of what each cause would have shown there, fetched when it is first asked for. */
final class Evidence
{
    public readonly Display $display;

    public readonly Exposure $exposure;

    /** @var list<string> before it was read, in the order of the names */
    public readonly array $repaired;

    private ?PredictionTable $fetched = null;

    /**
     * @param \Closure(): PredictionTable $table
     * @param list<string>                $repaired
     * @param list<string>                $circuits that the measurement is on; empty where it is on none, or on all
     */
    public function __construct(public readonly string $id, public readonly Measurement $measurement, public readonly Reading $reading, private readonly \Closure $table, public readonly string $where, Exposure $exposure = new Exposure(), public readonly float $blunder = Likelihood::BLUNDER, array $repaired = [], public readonly array $circuits = [])
    {
        sort($repaired);
        $this->repaired = $repaired;
        $this->display = new Display($measurement->instrument);
        $this->exposure = $exposure->in($measurement->state);
    }

    /**
     * The same with a table that knows more.
     *
     * @param \Closure(): PredictionTable $table
     */
    public function with(\Closure $table): self
    {
        return new self($this->id, $this->measurement, $this->reading, $table, $this->where, $this->exposure, $this->blunder, $this->repaired, $this->circuits);
    }

    /**
     * The same with the circuits that it was read on.
     *
     * @param list<string> $circuits
     */
    public function on(array $circuits): self
    {
        if ($circuits === $this->circuits) {
            return $this;
        }
        $same = new self($this->id, $this->measurement, $this->reading, $this->table, $this->where, $this->exposure, $this->blunder, $this->repaired, $circuits);
        $same->fetched = $this->fetched;

        return $same;
    }

    /** Where it was read, and what. */
    public function words(): string
    {
        return "$this->where: read {$this->reading->raw}";
    }

    public function table(): PredictionTable
    {
        return $this->fetched ??= ($this->table)()->after($this->repaired);
    }
}
