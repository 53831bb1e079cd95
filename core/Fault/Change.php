<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/**
 * A change of the network: elements taken out, others put in; or of how a device behaves. It stands beside the house,
 * never in it.
 */
final readonly class Change
{
    /**
     * @param list<string>                   $without names of elements that are not there with this fault
     * @param list<NewBranch>                $with
     * @param string|null                    $joint   the joint it is in: when that is lifted in the state, it has nothing to act on
     * @param list<self>                     $also    further changes
     * @param array<string, DeviceBehaviour> $devices part => how it behaves
     */
    public function __construct(public array $without = [], public array $with = [], public ?string $joint = null, private array $also = [], private array $devices = [])
    {
    }

    public static function device(string $part, DeviceBehaviour $behaviour): self
    {
        return new self(devices: [$part => $behaviour]);
    }

    public function and(self ...$others): self
    {
        return new self($this->without, $this->with, $this->joint, [...$this->also, ...array_values($others)], $this->devices);
    }

    /** @return list<self> this one and all that were added to it, one after the other */
    public function parts(): array
    {
        if ([] === $this->also) {
            return [$this];
        }
        $parts = [$this];
        foreach ($this->also as $change) {
            array_push($parts, ...$change->parts());
        }

        return $parts;
    }

    public function behaviour(string $device): DeviceBehaviour
    {
        foreach ($this->parts() as $part) {
            if (isset($part->devices[$device])) {
                return $part->devices[$device];
            }
        }

        return new DeviceBehaviour();
    }

    /** Whether it changes how a device acts, whatever else it changes. */
    public function actsOnDevices(): bool
    {
        foreach ($this->parts() as $part) {
            if ([] !== $part->devices) {
                return true;
            }
        }

        return false;
    }

    /** Whether the network stays as it is: then only a tester that makes a device act can notice. */
    public function leavesNetwork(): bool
    {
        foreach ($this->parts() as $part) {
            if ([] !== $part->without || [] !== $part->with) {
                return false;
            }
        }

        return true;
    }
}
