<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Some calls of a list, and where the next begin. */
#[OA\Schema(required: ['calls', 'next'])]
final readonly class CallPage
{
    /** @param list<CallSummary> $calls */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: CallSummary::class))]
        public array $calls,
        #[OA\Property(description: 'To ask with for those that follow; null at the end.')]
        public ?string $next,
    ) {
    }
}
