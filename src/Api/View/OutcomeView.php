<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One thing that a tester may show, told apart from the others, with the causes that would show it. */
#[OA\Schema(required: ['cause', 'shows', 'probability', 'shown'])]
final readonly class OutcomeView
{
    public function __construct(
        #[OA\Property(description: 'The kind of fault that shows it likeliest, where it would be, and how many kinds besides.')]
        public string $cause,
        #[OA\Property]
        public string $shows,
        #[OA\Property(description: 'Of all causes that show it.')]
        public float $probability,
        #[OA\Property(description: 'The same as it is shown.')]
        public string $shown,
    ) {
    }
}
