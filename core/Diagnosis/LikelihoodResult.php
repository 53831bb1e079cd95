<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

final readonly class LikelihoodResult
{
    /**
     * @param float                $log    log-probability of everything read
     * @param list<float>          $each   log-probability of each outcome, the factors at their most probable values
     * @param array<string, float> $spread what is left of each factor's standard deviation after the readings
     */
    public function __construct(public float $log, public array $each, public array $spread)
    {
    }
}
