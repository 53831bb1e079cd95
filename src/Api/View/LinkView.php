<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A test link that is fitted. */
#[OA\Schema(required: ['a', 'b', 'words'])]
final readonly class LinkView
{
    public function __construct(
        #[OA\Property]
        public string $a,
        #[OA\Property]
        public string $b,
        #[OA\Property]
        public string $words,
    ) {
    }
}
