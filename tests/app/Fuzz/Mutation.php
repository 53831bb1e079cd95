<?php

declare(strict_types=1);

namespace App\Tests\Fuzz;

/** Makes of a good request one that nobody should send: other types, other sizes, other letters, other structure. */
final class Mutation
{
    private const TEXTS = ['', ' ', "\0", "a\0b", 'é', "e\u{301}", '🔌', "\u{202E}abc", "\u{FEFF}", "\u{FFFD}", '<script>', "' OR 1=1 --", '${x}', '%s%n', '{x}', '../../etc', '-', '0', '7', '1e400', '-1', 'null', 'NaN', "line\nbreak", '2026-13-45', '9999-12-31', '0000-00-00', '2026-02-30T25:61:61Z', '0190a000-0000-7000-8000-000000000000', '/', '~1', 'a|b|c', 'a.b.c.d'];
    private const NUMBERS = [0, -1, 1, 7, 2_147_483_648, \PHP_INT_MAX, \PHP_INT_MIN, 0.0, -0.0, 1e-300, 1e300, -1e300, 0.1, 1e15, 999_999];

    /**
     * @param array<array-key, mixed> $body
     *
     * @return string as it is sent
     */
    public static function of(array $body): string
    {
        $times = max(0, mt_rand(-2, 3));
        for ($done = 0; $done < $times; ++$done) {
            $body = self::changed($body, mt_rand(0, 6));
            $body = \is_array($body) ? $body : ['body' => $body];
        }
        $json = json_encode([] === $body ? new \stdClass() : $body, \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_PARTIAL_OUTPUT_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
        $json = false === $json ? '{}' : $json;

        return match (mt_rand(0, 40)) {
            0 => substr($json, 0, mt_rand(0, \strlen($json))),
            1 => substr_replace($json, "\0", mt_rand(0, \strlen($json)), 0),
            2 => substr_replace($json, "\xC3\x28", mt_rand(0, \strlen($json)), 1),
            3 => str_replace('"id":', '"id":"x","id":', $json),
            4 => str_replace(':', ':'.str_repeat('[', 70), $json),
            5 => '['.$json.']',
            6 => $json.$json,
            7 => preg_replace('/\d+/', '\uD800', $json, 1) ?? $json,
            default => $json,
        };
    }

    private static function changed(mixed $value, int $depth): mixed
    {
        if (!\is_array($value) || [] === $value || 0 === $depth) {
            return self::odd($value);
        }
        $key = array_rand($value);
        switch (mt_rand(0, 9)) {
            case 0:
                unset($value[$key]);

                return $value;
            case 1:
                $value[self::key()] = $value[$key];

                return $value;
            case 2:
                return array_values($value);
            case 3:
                $value[] = $value[$key];

                return $value;
            default:
                $value[$key] = self::changed($value[$key], $depth - 1);

                return $value;
        }
    }

    private static function odd(mixed $value): mixed
    {
        return match (mt_rand(0, 11)) {
            0 => null,
            1 => 1 === mt_rand(0, 1),
            2, 3, 4 => self::NUMBERS[array_rand(self::NUMBERS)],
            5, 6, 7 => self::TEXTS[array_rand(self::TEXTS)],
            8 => str_repeat(self::TEXTS[array_rand(self::TEXTS)].'x', mt_rand(1, 6000)),
            9 => [],
            10 => [$value, $value],
            default => self::nested($value, mt_rand(1, 70)),
        };
    }

    private static function nested(mixed $value, int $levels): mixed
    {
        for ($level = 0; $level < $levels; ++$level) {
            $value = 0 === $level % 2 ? [$value] : [self::key() => $value];
        }

        return $value;
    }

    private static function key(): string
    {
        return ['7', '0', '', 'id', '__proto__', "a\0", 'é', 'kind', 'parts', 'a/b', 'a~b', 'pluggedInto'][mt_rand(0, 11)];
    }
}
