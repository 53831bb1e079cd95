<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** A change of the network: elements taken out, resistances put in. It stands beside the house, never in it. */
final readonly class Change
{
    /**
     * @param list<string>    $without names of elements that are not there with this fault
     * @param list<NewBranch> $with
     */
    public function __construct(public array $without = [], public array $with = [])
    {
    }

    public function and(self $other): self
    {
        return new self([...$this->without, ...$other->without], [...$this->with, ...$other->with]);
    }
}
