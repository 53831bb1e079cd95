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
     */
    public function __construct(public readonly string $id, public readonly Measurement $measurement, public readonly Reading $reading, private readonly \Closure $table, public readonly string $where, Exposure $exposure = new Exposure(), public readonly float $blunder = Likelihood::BLUNDER, array $repaired = [])
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
        return new self($this->id, $this->measurement, $this->reading, $table, $this->where, $this->exposure, $this->blunder, $this->repaired);
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
