<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

/** What a limit says of a reading, with the working open to view. */
final readonly class Judgement
{
    public function __construct(public string $limit, public Verdict $verdict, public string $sentence, public string $working, public string $source)
    {
    }
}
