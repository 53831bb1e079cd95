<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** Something that was given cannot be worked with; says which and what to do. */
final class SumError extends \InvalidArgumentException
{
    public function __construct(public readonly string $key, string $message)
    {
        parent::__construct($message);
    }
}
