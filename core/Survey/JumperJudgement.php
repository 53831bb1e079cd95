<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

/** Whether a jumper carries what is and what may come to be behind it, in words with the sums. */
final readonly class JumperJudgement
{
    public function __construct(public string $words, public bool $isTooSmall)
    {
    }
}
