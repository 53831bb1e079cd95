<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Something a sum wants to know. */
#[OA\Schema(required: ['key', 'words', 'kind', 'unit', 'usual', 'choices'])]
final readonly class SumInputView
{
    /** @param list<PickView> $choices */
    public function __construct(
        #[OA\Property]
        public string $key,
        #[OA\Property]
        public string $words,
        #[OA\Property(enum: ['number', 'numbers', 'choice', 'date'])]
        public string $kind,
        #[OA\Property]
        public string $unit,
        #[OA\Property(description: 'What is taken when nothing is given.')]
        public string $usual,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PickView::class))]
        public array $choices,
    ) {
    }
}
