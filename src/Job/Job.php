<?php

declare(strict_types=1);

namespace App\Job;

/** Work for a call in one state of it: done once, and dropped when the call has moved on. */
interface Job
{
    /** Of the call, as text. */
    public function callId(): string;

    /** What is worked out: of each there is one at a time for a call. */
    public function what(): string;

    /** The state of the call that it is worked out for. */
    public function state(): string;
}
