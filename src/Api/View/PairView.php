<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One pair of a dead test. */
#[OA\Schema(required: ['id', 'words', 'isPole'])]
final readonly class PairView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Whether it is read live as a reference too.')]
        public bool $isPole,
    ) {
    }
}
