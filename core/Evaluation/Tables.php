<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Installation\House;
use YellowProbe\Procedure\TestPlan;

/** The prediction tables of one surveyed house, each worked out once: they depend on no reading and on no truth. */
final class Tables
{
    /** @var array<string, PredictionTable> */
    private array $known = [];

    /** @param non-empty-list<Hypothesis> $hypotheses */
    public function __construct(private readonly House $house, private readonly array $hypotheses)
    {
    }

    public function of(TestPlan $plan): PredictionTable
    {
        return $this->known[$plan->id] ??= Predictor::table($this->house, $plan->measurement, $this->hypotheses);
    }
}
