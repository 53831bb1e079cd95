<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What a cause would make a tester show. */
#[OA\Schema(required: ['cause', 'shows', 'probability'])]
final readonly class OutcomeView
{
    public function __construct(
        #[OA\Property]
        public string $cause,
        #[OA\Property]
        public string $shows,
        #[OA\Property(description: 'Of the cause now.')]
        public float $probability,
    ) {
    }
}
