<?php

declare(strict_types=1);

namespace App\Job;

use YellowProbe\Procedure\Practice;

/** The tests worth most for a call, for whoever works in a certain way. */
final readonly class NextTests implements Job
{
    public const WHAT = 'next-';

    public function __construct(private string $callId, private string $state, public Practice $practice)
    {
    }

    public function callId(): string
    {
        return $this->callId;
    }

    public function what(): string
    {
        return self::WHAT.hash('xxh64', serialize($this->practice->key()));
    }

    public function state(): string
    {
        return $this->state;
    }
}
