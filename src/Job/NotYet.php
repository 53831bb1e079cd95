<?php

declare(strict_types=1);

namespace App\Job;

/** The answer is being worked out; the page asks how far it is, and then again for the answer. */
final class NotYet extends \RuntimeException
{
    public function __construct(public readonly string $callId, public readonly string $what)
    {
        parent::__construct("$what of a call is being worked out.");
    }
}
