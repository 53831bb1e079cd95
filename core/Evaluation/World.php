<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Shown;

/** Where hidden truths come from, and how readings of them go wrong. */
interface World
{
    /** @param non-empty-list<Hypothesis> $hypotheses of the survey, with their priors */
    public function truth(House $surveyed, array $hypotheses, Dice $dice): Truth;

    /** What is really done when this measurement is asked for. */
    public function done(Measurement $measurement, House $house, Dice $dice): Measurement;

    /** Standard normal drawn once a visit and tester => times the true value that it shows. */
    public function gain(Instrument $instrument, float $drawn): float;

    /** A reading that has nothing to do with the house, or null for an honest one. */
    public function blunder(Truth $truth, Instrument $instrument, Dice $dice): ?Shown;
}
