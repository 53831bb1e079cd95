<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A defect that a guided look asks for. */
#[OA\Schema(required: ['slug', 'area', 'words', 'class', 'weighs', 'ruleSets'])]
final readonly class LookView
{
    /** @param list<string> $ruleSets */
    public function __construct(
        #[OA\Property]
        public string $slug,
        #[OA\Property(description: 'Where one looks, in words.')]
        public string $area,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'D, P, I or F, as a suggestion.')]
        public string $class,
        #[OA\Property(description: 'Whether it makes causes at its place likelier.')]
        public bool $weighs,
        #[OA\Property(type: 'array', description: 'All where empty.', items: new OA\Items(type: 'string'))]
        public array $ruleSets,
    ) {
    }
}
