<?php

declare(strict_types=1);

namespace App\Job;

/** What each reading of a call would show under every cause, and the ranking that follows. */
final readonly class Ranking implements Job
{
    public const WHAT = 'ranking';

    public function __construct(private string $callId, private string $state)
    {
    }

    public function callId(): string
    {
        return $this->callId;
    }

    public function what(): string
    {
        return self::WHAT;
    }

    public function state(): string
    {
        return $this->state;
    }
}
