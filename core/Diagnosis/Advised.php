<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Opened;
use YellowProbe\Procedure\Practice;

/** What follows from a ranking, with nothing kept from before: the tests worth most, whether to go on, and what may bring the fault out meanwhile. */
final readonly class Advised
{
    /**
     * @param list<Candidate> $candidates best first
     * @param list<Forcing>   $forcings
     */
    private function __construct(public Stop $stop, public array $candidates, public array $forcings)
    {
    }

    public static function of(House $house, Ranking $ranking, State $now, Opened $opened, Practice $practice): self
    {
        $candidates = Planner::sketching($house, $practice)->next($ranking, $now, $opened);
        $stop = Stop::advised($ranking, $candidates, Trying::of($house, $ranking));

        return new self($stop, $candidates, Forcing::isAsked($stop->advice) ? Forcing::worthwhile(Forcing::best($house, $ranking, $now, $opened, $practice, static fn (Measurement $measurement, array $causes): PredictionTable => Predictor::sketch($house, $measurement, $causes)), $stop->advice, $candidates) : []);
    }
}
