<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What may be feeding a voltage that was found. */
#[OA\Schema(required: ['place', 'words'])]
final readonly class FeedingView
{
    /**
     * @param list<string> $words
     */
    public function __construct(
        #[OA\Property]
        public string $place,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $words,
    ) {
    }
}
