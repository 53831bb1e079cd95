<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;

/** The list of defects that a look goes through, by area; data. */
final readonly class Looks
{
    public function __construct(private Attributes $data)
    {
    }

    /** @return array<string, string> slug of an area => words, in the order of the look */
    public function areas(): array
    {
        $areas = $this->data->object('areas');

        $words = [];
        foreach (array_keys($areas->raw) as $slug) {
            $words[(string) $slug] = $areas->string((string) $slug);
        }

        return $words;
    }

    /** @return array<string, Look> by slug, in the order of the look */
    public function all(): array
    {
        $looks = [];
        foreach ($this->data->map('looks') as $data) {
            $look = new Look($data);
            $looks[$look->slug] = $look;
        }

        return $looks;
    }
}
