<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A cable where it ends at a way or a point, with its conductors. */
#[OA\Schema(required: ['words', 'conductors'])]
final readonly class LegView
{
    /** @param list<ConductorView> $conductors */
    public function __construct(
        #[OA\Property(description: 'Where it leads.')]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ConductorView::class))]
        public array $conductors,
    ) {
    }
}
