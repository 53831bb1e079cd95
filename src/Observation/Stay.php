<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** A temporary change that stays when the visit ends, with the reason. */
#[OA\Schema(required: ['operation', 'subject', 'value', 'reason'], additionalProperties: false)]
final readonly class Stay
{
    public function __construct(
        #[OA\Property(enum: Act::OPERATIONS)]
        public string $operation,
        #[OA\Property(minLength: 1, maxLength: 200)]
        public string $subject,
        #[OA\Property(maxLength: 200)]
        public string $value,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public string $reason,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->oneOf('operation', Act::OPERATIONS), $fields->text('subject', 200), $fields->maybeEmpty('value', 200), $fields->text('reason', 500));
        $fields->done();

        return $own;
    }
}
