<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A proof of dead at a place. */
#[OA\Schema(required: ['place', 'at', 'complete', 'lapsed', 'words'])]
final readonly class ProofView
{
    public function __construct(
        #[OA\Property]
        public string $place,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public bool $complete,
        #[OA\Property]
        public bool $lapsed,
        #[OA\Property]
        public string $words,
    ) {
    }
}
