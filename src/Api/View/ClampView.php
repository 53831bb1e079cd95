<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Conductors that a clamp can embrace together. */
#[OA\Schema(required: ['words', 'around'])]
final readonly class ClampView
{
    /**
     * @param list<string> $around
     */
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(type: 'array', description: 'Signed elements, as a connection takes them.', items: new OA\Items(type: 'string'))]
        public array $around,
    ) {
    }
}
