<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** What every kind of fault is called and how it is classed. */
abstract readonly class NamedFault implements FaultKind
{
    /** @param string $class danger present D, potentially dangerous P, improvement I, further investigation F */
    protected function __construct(private string $slug, private string $words, private string $class = 'P')
    {
    }

    public function slug(): string
    {
        return $this->slug;
    }

    public function words(): string
    {
        return $this->words;
    }

    public function class(): string
    {
        return $this->class;
    }
}
