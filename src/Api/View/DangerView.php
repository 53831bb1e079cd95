<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A finding of the most serious class that stands. */
#[OA\Schema(required: ['id', 'words', 'shownGoneBy'])]
final readonly class DangerView
{
    /** @param list<string> $shownGoneBy */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property(type: 'array', description: 'Entries that can be named as showing it gone.', items: new OA\Items(type: 'string'))]
        public array $shownGoneBy,
    ) {
    }
}
