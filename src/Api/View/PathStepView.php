<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One element on the way of a test current. */
#[OA\Schema(required: ['words', 'currentPercent', 'resistancePercent'])]
final readonly class PathStepView
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Its share of the current.')]
        public float $currentPercent,
        #[OA\Property(description: 'Its share of the resistance.')]
        public float $resistancePercent,
    ) {
    }
}
