<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A test for no voltage at a place: what it is worth and what has ended it. */
#[OA\Schema(required: ['id', 'place', 'name', 'at', 'complete', 'live', 'stands', 'words', 'lapsed'])]
final readonly class ProofView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property(description: 'Id of the place.')]
        public string $place,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public bool $complete,
        #[OA\Property]
        public bool $live,
        #[OA\Property]
        public bool $stands,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public ?string $lapsed,
    ) {
    }
}
