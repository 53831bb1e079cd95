<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

use YellowProbe\Installation\Attributes;

/** What is typical of boards and circuits under each rule set, and what is seen of an earthing arrangement; data, with reasons. */
final readonly class SurveyCatalogue
{
    public function __construct(private Attributes $data)
    {
    }

    /** @return array<string, Feeds> by slug, in the order they are offered */
    public function feeds(string $ruleSet): array
    {
        $feeds = [];
        foreach ($this->data->object('ruleSets')->object($ruleSet)->map('feeds') as $data) {
            $one = new Feeds($data);
            $feeds[$one->slug] = $one;
        }

        return $feeds;
    }

    /** @return list<array{slug: string, words: string, device: string, ways: int, groups: list<array{name: string, milliamps: float, type: string}>}> */
    public function patterns(string $ruleSet): array
    {
        $patterns = [];
        foreach ($this->data->object('ruleSets')->object($ruleSet)->map('patterns') as $data) {
            $patterns[] = [
                'slug' => $data->string('slug'),
                'words' => $data->string('words'),
                'device' => $data->string('device'),
                'ways' => (int) $data->positive('ways'),
                'groups' => array_values(array_map(static fn (Attributes $group): array => ['name' => $group->string('name'), 'milliamps' => $group->number('milliamps'), 'type' => $group->string('type')], $data->map('groups'))),
            ];
        }

        return $patterns;
    }

    public function earthing(string $ruleSet): Earthing
    {
        $evidence = $words = [];
        foreach ($this->data->map('evidence') as $data) {
            $evidence[$data->string('slug')] = $data->object('odds')->positives();
            $words[$data->string('slug')] = $data->string('words');
        }

        return new Earthing($this->data->object('priors')->object($ruleSet)->positives(), $evidence, $words);
    }
}
