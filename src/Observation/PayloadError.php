<?php

declare(strict_types=1);

namespace App\Observation;

/** A payload that its kind does not admit: where, and what would be right. */
final class PayloadError extends \DomainException
{
    /** @param string $pointer JSON pointer into the payload, such as /consent/who */
    public function __construct(public readonly string $pointer, string $message)
    {
        parent::__construct($message);
    }
}
