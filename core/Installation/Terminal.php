<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** One terminal of a part: which conductor it is for and how a probe gets to it. */
final readonly class Terminal
{
    public function __construct(public string $id, public string $part, public string $key, public Role $role, public Access $access)
    {
    }
}
