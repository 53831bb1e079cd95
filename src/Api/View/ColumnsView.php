<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** How far it is worked out what the readings of a call would show under every cause. */
#[OA\Schema(required: ['total', 'missing'])]
final readonly class ColumnsView
{
    /** @param list<string> $missing */
    public function __construct(
        #[OA\Property(description: 'Readings that differ in tester, place or state.')]
        public int $total,
        #[OA\Property(type: 'array', description: 'Of each that is not worked out an observation.', items: new OA\Items(type: 'string'))]
        public array $missing,
    ) {
    }
}
