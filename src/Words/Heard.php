<?php

declare(strict_types=1);

namespace App\Words;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/**
 * What of the lists, and which appliances of a house, plain words may be about: suggestions to be tapped, never an entry. A word
 * list of one language; what it does not hold is simply not suggested.
 */
final readonly class Heard
{
    public function __construct(private Attributes $words)
    {
    }

    /** @return list<string> slugs */
    public function symptoms(string $text): array
    {
        return $this->slugs('symptoms', $text);
    }

    /** @return list<string> slugs */
    public function contexts(string $text): array
    {
        return $this->slugs('contexts', $text);
    }

    /** @return list<string> ids of the parts that draw current and are named, by their own name or by a word that means the same */
    public function appliances(House $house, string $text): array
    {
        return array_values(array_map(static fn (Part $part): string => $part->id, array_filter($house->partsOfKind('appliance', 'light'), fn (Part $part): bool => $this->isNamed($part->name, $text))));
    }

    /** @return list<string> */
    private function slugs(string $list, string $text): array
    {
        $slugs = [];
        foreach ($this->words->object($list)->raw as $slug => $_) {
            if (self::says($text, $this->words->object($list)->strings((string) $slug))) {
                $slugs[] = (string) $slug;
            }
        }

        return $slugs;
    }

    /** A thing is named by all words of its name, by the last of them where that says enough, or by another word for it. */
    private function isNamed(string $name, string $text): bool
    {
        $own = array_map(static fn (string $word): string => preg_quote($word, '/'), preg_split('/[\s,]+/u', mb_strtolower($name), -1, \PREG_SPLIT_NO_EMPTY) ?: []);
        if ([] === $own) {
            return false;
        }
        $last = $own[\count($own) - 1];
        if ([] === array_filter($own, static fn (string $word): bool => !self::says($text, ["{$word}s?"]))) {
            return true;
        }
        if (!\in_array($last, $this->words->strings('weak'), true) && !is_numeric($last) && self::says($text, ["{$last}s?"])) {
            return true;
        }
        foreach (array_keys($this->words->object('alike')->raw) as $group) {
            $words = $this->words->object('alike')->strings((string) $group);
            if (self::says($name, $words) && self::says($text, array_map(static fn (string $word): string => "{$word}s?", $words))) {
                return true;
            }
        }

        return false;
    }

    /** @param list<string> $any */
    private static function says(string $text, array $any): bool
    {
        return 1 === preg_match('/(?<![\p{L}\p{N}])(?:'.implode('|', $any).')(?![\p{L}\p{N}])/iu', $text);
    }
}
