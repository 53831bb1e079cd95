<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What every sum is called and comes from. */
abstract readonly class NamedSum implements Sum
{
    public function __construct(private string $slug, private string $words, private string $formula, private string $source, private string $caution = '')
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

    final public function formula(): string
    {
        return $this->formula;
    }

    final public function source(): string
    {
        return $this->source;
    }

    final public function caution(): string
    {
        return $this->caution;
    }
}
