<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** A change of the network: elements taken out, resistances put in. It stands beside the house, never in it. */
final readonly class Change
{
    /**
     * @param list<string>    $without names of elements that are not there with this fault
     * @param list<NewBranch> $with
     * @param string|null     $joint   the joint it is in: when that is lifted in the state, it has nothing to act on
     * @param list<self>      $also    further changes
     */
    public function __construct(public array $without = [], public array $with = [], public ?string $joint = null, private array $also = [])
    {
    }

    public function and(self $other): self
    {
        return new self($this->without, $this->with, $this->joint, [...$this->also, $other]);
    }

    /** @return list<self> this one and all that were added to it, one after the other */
    public function parts(): array
    {
        $parts = [$this];
        foreach ($this->also as $change) {
            array_push($parts, ...$change->parts());
        }

        return $parts;
    }
}
