<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;

/** Places that are reached and open already on this visit: what is in front of them is cleared and their covers are off. */
final readonly class Opened
{
    /** @param array<string, true> $places */
    private function __construct(private array $places)
    {
    }

    public static function none(): self
    {
        return new self([]);
    }

    public static function of(string ...$places): self
    {
        return new self(array_fill_keys($places, true));
    }

    /** With what a test opens. */
    public function after(House $house, TestPlan $plan): self
    {
        return new self($this->places + array_fill_keys(Access::reached($house, $plan->measurement), true));
    }

    public function has(string $place): bool
    {
        return isset($this->places[$place]);
    }

    /** @return list<string> */
    public function places(): array
    {
        $places = array_map(strval(...), array_keys($this->places));
        sort($places);

        return $places;
    }
}
