<?php

declare(strict_types=1);

namespace App\House;

/**
 * A key that stands twice in one object of a JSON text. A parser keeps the last of them without a word, and a part of the
 * house would be lost. One pass over the text: each token is looked at once.
 */
final class RepeatedKeys
{
    private const TOKENS = '/"(?:[^"\\\\]|\\\\.)*+"|[{}\[\],:]/s';

    /** @return string|null JSON pointer of the first one; the text has to be JSON */
    public static function first(string $json): ?string
    {
        preg_match_all(self::TOKENS, $json, $tokens);
        $tokens = $tokens[0];
        /** @var list<array<array-key, true>|null> $keys met in each object that is open; null for a list */
        $keys = [];
        /** @var list<int|string> $places key or place at hand in each */
        $places = [];
        $depth = -1;
        foreach ($tokens as $at => $token) {
            switch ($token[0]) {
                case '{':
                case '[':
                    ++$depth;
                    $keys[$depth] = '{' === $token ? [] : null;
                    $places[$depth] = 0;
                    break;
                case '}':
                case ']':
                    --$depth;
                    break;
                case ',':
                    if ($depth >= 0 && null === $keys[$depth] && \is_int($places[$depth])) {
                        ++$places[$depth];
                    }
                    break;
                case '"':
                    if ($depth >= 0 && ':' === ($tokens[$at + 1] ?? '') && null !== $keys[$depth]) {
                        $key = json_decode($token, false, 2, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE);
                        $key = \is_string($key) ? $key : '';
                        $places[$depth] = $key;
                        if (isset($keys[$depth][$key])) {
                            return implode('', array_map(static fn (int|string $place): string => '/'.strtr((string) $place, ['~' => '~0', '/' => '~1']), \array_slice($places, 0, $depth + 1)));
                        }
                        $keys[$depth][$key] = true;
                    }
                    break;
                default:
                    break;
            }
        }

        return null;
    }
}
