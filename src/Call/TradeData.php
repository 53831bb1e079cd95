<?php

declare(strict_types=1);

namespace App\Call;

use App\Words\Heard;
use YellowProbe\Diagnosis\Rates;
use YellowProbe\Installation\Attributes;
use YellowProbe\Rules\Looks;
use YellowProbe\Rules\RuleSet;
use YellowProbe\Survey\SurveyCatalogue;

/** The rule sets and rates that ship with the application, read from their JSON. */
final readonly class TradeData
{
    public function __construct(private string $projectDir)
    {
    }

    public function ruleSet(string $slug): RuleSet
    {
        $file = $this->projectDir.'/config/rule-sets/'.$slug.'.json';
        if (1 !== preg_match('/^[A-Z]$/', $slug) || !is_file($file)) {
            throw new \OutOfBoundsException(\sprintf('There is no rule set "%s".', $slug));
        }

        return RuleSet::fromArray($this->read($file));
    }

    /** How likely each cause is before anything was read. */
    public function rates(): Rates
    {
        return new Rates(new Attributes($this->read($this->projectDir.'/config/prior-rates.json'), ''));
    }

    public function looks(): Looks
    {
        return new Looks(new Attributes($this->read($this->projectDir.'/config/looks.json'), ''));
    }

    /** What plain words may be about. */
    public function heard(): Heard
    {
        return new Heard(new Attributes($this->read($this->projectDir.'/config/heard.json'), ''));
    }

    public function survey(): SurveyCatalogue
    {
        return new SurveyCatalogue(new Attributes($this->read($this->projectDir.'/config/survey.json'), ''));
    }

    /** @return array<string, mixed> */
    private function read(string $file): array
    {
        /** @var array<string, mixed> $raw */
        $raw = json_decode((string) file_get_contents($file), true, 32, \JSON_THROW_ON_ERROR);

        return $raw;
    }
}
