<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Access;
use YellowProbe\Procedure\TestPlan;

/** The prediction tables of one surveyed house, each worked out once: they depend on no reading and on no truth. */
final class Tables
{
    /** @var array<string, PredictionTable> by what is measured */
    private array $known = [];

    /** @param non-empty-list<Hypothesis> $hypotheses */
    public function __construct(private readonly House $house, private readonly array $hypotheses)
    {
    }

    /** Whether the cover of something other than a board has to come off for a test that is done live. */
    public function opensLive(TestPlan $plan): bool
    {
        return Access::opensLive($this->house, $plan->measurement);
    }

    public function of(Measurement $measurement): PredictionTable
    {
        return $this->known[$measurement->hash()] ??= Predictor::table($this->house, $measurement, $this->hypotheses);
    }
}
