<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A reading that cannot be true together with the others. */
#[OA\Schema(required: ['observation', 'where', 'words'])]
final readonly class ContradictionView
{
    public function __construct(
        #[OA\Property]
        public string $observation,
        #[OA\Property]
        public string $where,
        #[OA\Property(description: 'What would explain it, and what to do.')]
        public string $words,
    ) {
    }
}
