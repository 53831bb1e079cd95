<?php

declare(strict_types=1);

namespace App\Job;

/** What each cause would show in a measurement whose leads are on, before its reading comes. */
final readonly class Preparation implements Job
{
    public const WHAT = 'preparation';

    /** @param array<array-key, mixed> $connection as it was sent */
    public function __construct(private string $callId, private string $state, public string $instrument, public array $connection)
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
