<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

final readonly class LikelihoodResult
{
    public float $most;

    /**
     * @param float              $log      log-probability of everything read
     * @param list<float>        $each     log-probability of each outcome, the factors at their most probable values
     * @param array<string, int> $factors  factor => place in the system
     * @param array<int, float>  $triangle of the factors' information; empty for a cause that was not fitted whole
     * @param float|null         $most     log-probability that a whole fit may find at most, roughly; as it is when left out
     */
    public function __construct(public float $log, public array $each, private array $factors, private array $triangle, ?float $most = null)
    {
        $this->most = max($log, $most ?? $log);
    }

    /** The same by so many nats, for what no reading says by itself. */
    public function likelier(float $nats): self
    {
        return 0.0 === $nats ? $this : new self($this->log + $nats, $this->each, $this->factors, $this->triangle, $this->most + $nats);
    }

    /** @return array<string, float> what is left of each factor's standard deviation after the readings */
    public function spread(): array
    {
        $n = \count($this->factors);
        if ([] === $this->triangle) {
            return [];
        }

        return array_map(fn (int $at): float => Triangle::deviation($this->triangle, $at, $n), $this->factors);
    }
}
