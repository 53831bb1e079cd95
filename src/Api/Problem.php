<?php

declare(strict_types=1);

namespace App\Api;

use Symfony\Component\HttpFoundation\JsonResponse;

/** A refusal that tells what to do, as a problem document (RFC 9457). */
final class Problem extends \RuntimeException
{
    /** @param string $pointer JSON pointer to the field in the request, empty when it is the request as a whole */
    public function __construct(public readonly int $status, public readonly string $title, string $detail, public readonly string $pointer = '', ?\Throwable $previous = null)
    {
        parent::__construct($detail, 0, $previous);
    }

    public static function invalid(string $pointer, string $detail): self
    {
        return new self(422, 'This cannot be stored', $detail, $pointer);
    }

    public static function notFound(): self
    {
        // Another firm's row answers exactly like one that does not exist.
        return new self(404, 'Not found', 'There is nothing here that you can see. Go back to the list of calls.');
    }

    public static function conflict(string $detail, string $pointer = ''): self
    {
        return new self(409, 'Not as it was', $detail, $pointer);
    }

    public function response(): JsonResponse
    {
        $body = ['type' => 'about:blank', 'title' => $this->title, 'status' => $this->status, 'detail' => $this->getMessage()];
        if ('' !== $this->pointer) {
            $body['pointer'] = $this->pointer;
        }

        return new JsonResponse($body, $this->status, ['Content-Type' => 'application/problem+json']);
    }
}
