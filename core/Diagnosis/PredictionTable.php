<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** All rows of one test in one state: by hypothesis, then by severity. Independent of what was read, so it can be kept. */
final readonly class PredictionTable
{
    /** @param array<string, list<Row>> $rows by hypothesis id */
    public function __construct(private array $rows)
    {
    }

    /** @return list<Row> */
    public function rows(Hypothesis $hypothesis): array
    {
        return $this->rows[$hypothesis->id];
    }

    public function sound(): Row
    {
        return $this->rows[Hypothesis::SOUND][0];
    }
}
