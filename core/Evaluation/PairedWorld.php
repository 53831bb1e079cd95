<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Shown;

/** The matched world with two faults at once, each drawn by its prior among those that change the circuit. */
final readonly class PairedWorld implements World
{
    public function __construct(private MatchedWorld $matched = new MatchedWorld())
    {
    }

    public function truth(House $surveyed, array $hypotheses, Dice $dice): Truth
    {
        $showing = MatchedWorld::showing($surveyed, $hypotheses);
        $priors = array_map(static fn (Hypothesis $hypothesis): float => $hypothesis->prior, $showing);
        $one = $showing[$dice->weighted($priors)];
        do {
            $other = $showing[$dice->weighted($priors)];
            // Of two in one place, the joint that is open and has a resistance besides, one is no fault.
        } while ([] !== array_intersect($one->site->things ?? [], $other->site->things ?? []));
        $faults = [];
        foreach ([$one, $other] as $fault) {
            $faults[$fault->repair] = MatchedWorld::change($surveyed, $fault, $dice) ?? throw new \LogicException("$fault->id changes nothing.");
        }

        return (new Truth($surveyed, null, Hypothesis::pair($one, $other, 1.0)->id, MatchedWorld::factors($surveyed, $dice), faults: $faults))->after([]);
    }

    public function done(Measurement $measurement, House $house, Dice $dice): Measurement
    {
        return $this->matched->done($measurement, $house, $dice);
    }

    public function gain(Instrument $instrument, float $drawn): float
    {
        return $this->matched->gain($instrument, $drawn);
    }

    public function blunder(Truth $truth, Instrument $instrument, Dice $dice): ?Shown
    {
        return $this->matched->blunder($truth, $instrument, $dice);
    }
}
