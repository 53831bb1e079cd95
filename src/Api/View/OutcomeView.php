<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One thing that a tester may show, told apart from the others, with the causes that would show it. */
#[OA\Schema(required: ['cause', 'shows', 'probability', 'shown', 'range', 'from', 'to'])]
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
        #[OA\Property(description: 'The range that 95 readings of 100 would lie in; empty where there is no number.')]
        public string $range,
        #[OA\Property(description: 'Where on the scale that range begins, 0 to 1; null where there is no number.')]
        public ?float $from,
        #[OA\Property(description: 'Where on the scale that range ends, 0 to 1.')]
        public ?float $to,
    ) {
    }
}
