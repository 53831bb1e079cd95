<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** A reading that somebody does not quite believe: it counts for less. */
#[OA\Schema(required: ['observation', 'reason'], additionalProperties: false)]
final readonly class Doubted implements Payload
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
        return 'doubted';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->id('observation'), $fields->text('reason', 2000));
    }
}
