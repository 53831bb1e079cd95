<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** What the survey calls a circuit: the way it starts from, and a claim about its shape that the wiring can refute. */
final readonly class Circuit
{
    public function __construct(public string $id, public string $name, public string $way, public string $claim, public int $position, public Attributes $attributes)
    {
    }
}
