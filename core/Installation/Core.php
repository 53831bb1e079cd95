<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** One conductor of a cable, landed at each end on a terminal through a joint (or on nothing: null). */
final readonly class Core
{
    /** @param array{string|null, string|null} $ends terminals at end 1 and end 2 */
    public function __construct(public string $cable, public string $key, public Role $role, public array $ends)
    {
    }

    public function element(): string
    {
        return "$this->cable/$this->key";
    }

    /** @param 1|2 $end */
    public function joint(int $end): string
    {
        return "$this->cable/$this->key@$end";
    }
}
