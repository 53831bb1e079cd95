<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What a way may feed, with what is typical of it. */
#[OA\Schema(required: ['slug', 'key', 'words', 'shape', 'amperes', 'curve', 'points'])]
final readonly class FeedsView
{
    public function __construct(
        #[OA\Property]
        public string $slug,
        #[OA\Property]
        public string $key,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $shape,
        #[OA\Property]
        public float $amperes,
        #[OA\Property]
        public string $curve,
        #[OA\Property]
        public int $points,
    ) {
    }
}
