<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What a limit says of a reading. */
#[OA\Schema(required: ['limit', 'verdict', 'sentence', 'working', 'source'])]
final readonly class JudgementView
{
    public function __construct(
        #[OA\Property]
        public string $limit,
        #[OA\Property(description: 'good, doubt or bad')]
        public string $verdict,
        #[OA\Property]
        public string $sentence,
        #[OA\Property]
        public string $working,
        #[OA\Property]
        public string $source,
    ) {
    }
}
