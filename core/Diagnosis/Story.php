<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** What was told, as far as it is picked from a list: symptoms and what happened just before. Order means nothing. */
final readonly class Story
{
    /** @var list<string> */
    public array $symptoms;

    /** @var list<string> */
    public array $contexts;

    /**
     * @param list<string> $symptoms
     * @param list<string> $contexts
     */
    public function __construct(array $symptoms = [], array $contexts = [])
    {
        $symptoms = array_unique($symptoms);
        $contexts = array_unique($contexts);
        sort($symptoms);
        sort($contexts);
        $this->symptoms = $symptoms;
        $this->contexts = $contexts;
    }
}
