<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;

/** One recorded reading with the table of what each cause would have shown there. */
final readonly class Evidence
{
    public Display $display;

    public function __construct(public string $id, public Measurement $measurement, public Reading $reading, public PredictionTable $table, public string $where)
    {
        $this->display = new Display($measurement->instrument);
    }
}
