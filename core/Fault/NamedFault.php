<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** What every kind of fault is called and how it is classed. */
abstract readonly class NamedFault implements FaultKind
{
    /**
     * @param string                $class      danger present D, potentially dangerous P, improvement I, further investigation F
     * @param non-empty-list<float> $severities Ω
     */
    protected function __construct(private string $slug, private string $words, private string $class = 'P', private array $severities = [0.0])
    {
    }

    final public function slug(): string
    {
        return $this->slug;
    }

    final public function words(): string
    {
        return $this->words;
    }

    final public function class(): string
    {
        return $this->class;
    }

    public function nature(): FaultNature
    {
        return FaultNature::Network;
    }

    final public function remedy(): Remedy
    {
        return Remedy::of($this->slug);
    }

    final public function conditions(): array
    {
        return Condition::of($this->slug);
    }

    final public function severities(): array
    {
        return $this->severities;
    }
}
