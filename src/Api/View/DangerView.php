<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A finding of the most serious class that stands. */
#[OA\Schema(required: ['id', 'words'])]
final readonly class DangerView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
    ) {
    }
}
