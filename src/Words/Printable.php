<?php

declare(strict_types=1);

namespace App\Words;

/** Text that people type: no NUL and no control codes but line breaks and tabs. */
final class Printable
{
    public static function is(string $text): bool
    {
        return 1 !== preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', $text);
    }
}
