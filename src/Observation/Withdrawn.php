<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** An earlier entry that does not stand any more, with the reason; it stays on the record. */
#[OA\Schema(required: ['observation', 'reason'], additionalProperties: false)]
final readonly class Withdrawn implements Payload
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $observation,
        #[OA\Property(minLength: 1, maxLength: 2000)]
        public string $reason,
    ) {
    }

    public static function kind(): string
    {
        return 'withdrawn';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->id('observation'), $fields->text('reason', 2000));
    }
}
