<?php

declare(strict_types=1);

namespace App\Casebook;

/** Something to do as a case names it: a verb and what it is done to, an id of the house, of a test, or plain words. */
final readonly class Act
{
    public function __construct(public string $verb, public string $what)
    {
    }

    public function words(): string
    {
        return trim("$this->verb $this->what");
    }
}
