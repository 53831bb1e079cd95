<?php

declare(strict_types=1);

namespace App\Casebook;

/** What a step asked for and did not get; met when nothing is missing. */
final readonly class StepResult
{
    /**
     * @param list<string>         $missed    what is expected and is not so, in words
     * @param array<string, float> $shares    of each cause of the case
     * @param list<string>         $unmatched acts in plain words, which nothing proposed can be compared with
     */
    public function __construct(public string $case, public int $step, public array $missed, public array $shares, public float $unknown, public string $proposed, public bool $isForbidden, public array $unmatched, public float $seconds, public bool $isDangerDue, public bool $isDangerSaid)
    {
    }

    public function isMet(): bool
    {
        return [] === $this->missed;
    }
}
