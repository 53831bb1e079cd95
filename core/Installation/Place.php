<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Where something is: a board, a point, a box, an appliance, metalwork. */
final readonly class Place
{
    public function __construct(public string $id, public string $kind, public string $name, public string $room, public Attributes $attributes)
    {
    }
}
