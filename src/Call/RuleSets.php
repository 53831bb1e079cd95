<?php

declare(strict_types=1);

namespace App\Call;

use YellowProbe\Rules\RuleSet;

/** The rule sets that ship with the application, read from their JSON. */
final readonly class RuleSets
{
    public function __construct(private string $projectDir)
    {
    }

    public function get(string $slug): RuleSet
    {
        $file = $this->projectDir.'/config/rule-sets/'.$slug.'.json';
        if (1 !== preg_match('/^[A-Z]$/', $slug) || !is_file($file)) {
            throw new \OutOfBoundsException(\sprintf('There is no rule set "%s".', $slug));
        }
        /** @var array<string, mixed> $raw */
        $raw = json_decode((string) file_get_contents($file), true, 32, \JSON_THROW_ON_ERROR);

        return RuleSet::fromArray($raw);
    }
}
