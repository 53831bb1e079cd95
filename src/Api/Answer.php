<?php

declare(strict_types=1);

namespace App\Api;

use Symfony\Component\HttpFoundation\JsonResponse;

/** A view, or a list of views, as JSON. */
final class Answer
{
    /** @param object|list<object> $view */
    public static function of(object|array $view, int $status = 200): JsonResponse
    {
        $json = json_encode($view, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION);

        return new JsonResponse($json, $status, ['Cache-Control' => 'no-store'], true);
    }
}
