<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** A house document that describes something that cannot exist: where, and what would make it right. */
final class HouseError extends \DomainException
{
    /** @param string $path JSON pointer into the house document, such as /cables/c4/cores/L/ends/1 */
    public function __construct(public readonly string $path, string $message)
    {
        parent::__construct($message);
    }
}
