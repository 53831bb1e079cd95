<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** The complaint tried again after a repair. */
#[OA\Schema(required: ['outcome'], additionalProperties: false)]
final readonly class Tried implements Payload
{
    public const OUTCOMES = ['gone', 'there'];

    public function __construct(
        #[OA\Property(enum: self::OUTCOMES)]
        public string $outcome,
    ) {
    }

    public static function kind(): string
    {
        return 'tried';
    }

    public static function read(Fields $fields): self
    {
        return new self($fields->oneOf('outcome', self::OUTCOMES));
    }
}
