<?php

declare(strict_types=1);

namespace App\Api;

use Symfony\Component\HttpFoundation\Request;

/** What is asked for in the query of an address: text of a bounded length, and nothing else. */
final class Query
{
    /** @return string empty when it is left out */
    public static function text(Request $request, string $key, int $most = 200): string
    {
        $value = $request->query->all()[$key] ?? '';
        if (!\is_string($value) || !mb_check_encoding($value, 'UTF-8') || mb_strlen($value) > $most || 1 === preg_match('/[\x00-\x1F\x7F]/', $value)) {
            throw Problem::invalid("/$key", \sprintf('Expected at most %d printable characters.', $most));
        }

        return $value;
    }
}
