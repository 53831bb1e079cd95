<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What a reading says for or against a cause. */
#[OA\Schema(required: ['observation', 'nats', 'sentence'])]
final readonly class ReasonView
{
    public function __construct(
        #[OA\Property]
        public string $observation,
        #[OA\Property(description: 'Positive speaks for it.')]
        public float $nats,
        #[OA\Property]
        public string $sentence,
    ) {
    }
}
