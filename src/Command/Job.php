<?php

declare(strict_types=1);

namespace App\Command;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;

/** What a job file tells: the house, the state it is in now, its causes and how they rank after the readings. */
final readonly class Job
{
    /** @param non-empty-list<Hypothesis> $hypotheses */
    public function __construct(public House $house, public State $now, public array $hypotheses, public Ranking $ranking, public Story $story)
    {
    }
}
