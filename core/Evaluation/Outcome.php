<?php

declare(strict_types=1);

namespace YellowProbe\Evaluation;

use YellowProbe\Diagnosis\StopAdvice;

/** How one visit went. */
final readonly class Outcome
{
    /**
     * @param non-empty-list<array<string, float>> $steps hypothesis => probability after each reading, before the first leading
     * @param list<string>                         $named causes of the suspects that led at the end, its places together, and before each repair
     */
    public function __construct(public Truth $truth, public array $steps, public int $tests, public float $minutes, public StopAdvice $advice, public array $named)
    {
    }

    /** @return array<string, float> at the end */
    public function last(): array
    {
        return $this->steps[\count($this->steps) - 1];
    }
}
