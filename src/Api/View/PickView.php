<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Something to pick from a list. */
#[OA\Schema(required: ['slug', 'words'])]
final readonly class PickView
{
    public function __construct(
        #[OA\Property]
        public string $slug,
        #[OA\Property]
        public string $words,
    ) {
    }
}
