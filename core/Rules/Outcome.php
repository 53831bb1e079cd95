<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

/** What a formula finds: verdict, a sentence, and the sum it rests on. */
final readonly class Outcome
{
    public function __construct(public Verdict $verdict, public string $sentence, public string $working)
    {
    }
}
