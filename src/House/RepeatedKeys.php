<?php

declare(strict_types=1);

namespace App\House;

/**
 * A key that stands twice in one object of a JSON text. A parser keeps the last of them without a word, and a part of the
 * house would be lost.
 */
final class RepeatedKeys
{
    private const TOKENS = '/"(?:[^"\\\\]|\\\\.)*+"|[{}\[\],:]/s';

    /** @return string|null JSON pointer of the first one; the text has to be JSON */
    public static function first(string $json): ?string
    {
        preg_match_all(self::TOKENS, $json, $tokens);
        $tokens = $tokens[0];
        /** @var list<array{array<string, true>|null, int|string}> $open keys met (null in a list) and the key or place at hand */
        $open = [];
        foreach ($tokens as $at => $token) {
            $depth = \count($open) - 1;
            if ('{' === $token || '[' === $token) {
                $open[] = ['{' === $token ? [] : null, 0];
            } elseif ('}' === $token || ']' === $token) {
                array_pop($open);
            } elseif (',' === $token && \is_int($open[$depth][1]) && null === $open[$depth][0]) {
                ++$open[$depth][1];
            } elseif ('"' === $token[0] && ':' === ($tokens[$at + 1] ?? '') && null !== $open[$depth][0]) {
                $key = json_decode($token, false, 2, \JSON_THROW_ON_ERROR);
                $key = \is_string($key) ? $key : '';
                $again = isset($open[$depth][0][$key]);
                $open[$depth] = [$open[$depth][0] + [$key => true], $key];
                if ($again) {
                    return implode('', array_map(static fn (array $level): string => '/'.strtr((string) $level[1], ['~' => '~0', '/' => '~1']), $open));
                }
            }
        }

        return null;
    }
}
