<?php

declare(strict_types=1);

namespace YellowProbe\Words;

/**
 * Something to be said: its key in the catalogue and what stands in it. The core tells what is so; who shows it to a person
 * says it, in the language and the vocabulary of the rule set.
 */
final readonly class Message
{
    /** @param array<string, string|int|float|self|list<self>> $with names of the house, figures, and messages that stand inside this one */
    public function __construct(public string $key, public array $with = [])
    {
    }
}
