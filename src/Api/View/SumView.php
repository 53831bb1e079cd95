<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A sum of the trade: what it wants and where it comes from. */
#[OA\Schema(required: ['slug', 'words', 'formula', 'source', 'caution', 'inputs'])]
final readonly class SumView
{
    /** @param list<SumInputView> $inputs */
    public function __construct(
        #[OA\Property]
        public string $slug,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $formula,
        #[OA\Property]
        public string $source,
        #[OA\Property(description: 'What the result does not say; may be empty.')]
        public string $caution,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SumInputView::class))]
        public array $inputs,
    ) {
    }
}
