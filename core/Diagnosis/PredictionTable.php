<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** All rows of one test in one state: by hypothesis, then by severity. Independent of what was read, so it can be kept. */
final readonly class PredictionTable
{
    /**
     * @param array<string, list<Row>> $rows    by stem of the hypotheses
     * @param array<string, float>     $factors that rows may move with => its tail
     */
    public function __construct(private array $rows, public array $factors = [])
    {
    }

    /** @return list<Row> by severity, and last the sound house's where the cause comes and goes */
    public function rows(Hypothesis $hypothesis): array
    {
        return $hypothesis->intermittent ? [...$this->there($hypothesis), $this->sound()] : $this->there($hypothesis);
    }

    /** @return list<Row> by severity, while the cause is there */
    public function there(Hypothesis $hypothesis): array
    {
        return $this->rows[$hypothesis->stem];
    }

    /** These rows and those of other causes. */
    public function with(self $other): self
    {
        return new self($this->rows + $other->rows, $this->factors + $other->factors);
    }

    public function sound(): Row
    {
        return $this->rows[Hypothesis::SOUND][0];
    }
}
