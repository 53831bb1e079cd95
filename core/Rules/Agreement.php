<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

/** Whether two or three readings agree that have to, with the sum that says so. */
final readonly class Agreement
{
    /** @param list<string> $readings ids of those that are held against each other */
    public function __construct(public Verdict $verdict, public string $sentence, public string $working, public array $readings)
    {
    }
}
