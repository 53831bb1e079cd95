<?php

declare(strict_types=1);

namespace App\Call;

/** A proof of dead at one place: what it is worth and whether a later act has ended it. */
final readonly class Proof
{
    public function __construct(public string $place, public \DateTimeImmutable $at, public bool $complete, public bool $lapsed, public bool $atTerminals = false)
    {
    }

    public function words(): string
    {
        $words = ($this->complete ? 'proved dead here' : 'no voltage found, reference not proved').($this->atTerminals ? ', at the terminals' : '');

        return $this->lapsed ? "$words, lapsed since" : $words;
    }
}
