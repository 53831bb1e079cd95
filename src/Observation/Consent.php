<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;

/** Who agreed to the work, and how. */
#[OA\Schema(required: ['who', 'how'], additionalProperties: false)]
final readonly class Consent
{
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 200)]
        public string $who,
        #[OA\Property(minLength: 1, maxLength: 200)]
        public string $how,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $own = new self($fields->text('who', 200), $fields->text('how', 200));
        $fields->done();

        return $own;
    }
}
