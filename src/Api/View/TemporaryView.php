<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Observation\Act;
use OpenApi\Attributes as OA;

/** A change that is not put back yet. */
#[OA\Schema(required: ['operation', 'subject', 'value', 'words'])]
final readonly class TemporaryView
{
    public function __construct(
        #[OA\Property(enum: Act::OPERATIONS)]
        public string $operation,
        #[OA\Property]
        public string $subject,
        #[OA\Property]
        public string $value,
        #[OA\Property]
        public string $words,
    ) {
    }
}
