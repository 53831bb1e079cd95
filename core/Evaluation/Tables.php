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

    /** @param list<Hypothesis> $hypotheses to be looked up; pairs are none of the house's own causes and worked out when they are asked for */
    public function of(TestPlan $plan, array $hypotheses = []): PredictionTable
    {
        $own = $this->known[$plan->id] ??= Predictor::table($this->house, $plan->measurement, $this->hypotheses);
        $pairs = array_values(array_filter($hypotheses, static fn (Hypothesis $hypothesis): bool => [] !== $hypothesis->both));

        return [] === $pairs ? $own : $own->with(Predictor::sketch($this->house, $plan->measurement, [Hypothesis::sound(1.0), ...$pairs]));
    }
}
