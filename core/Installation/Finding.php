<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Something of a house that is possible and odd: to be looked at, no error. */
final readonly class Finding
{
    /**
     * @param string $path  JSON pointer into the house document
     * @param string $words what is odd, and what to look at
     */
    public function __construct(public string $path, public string $words)
    {
    }
}
