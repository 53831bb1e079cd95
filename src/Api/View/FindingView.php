<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Something odd in a house, with its place in the document. */
#[OA\Schema(required: ['pointer', 'words'])]
final readonly class FindingView
{
    public function __construct(
        #[OA\Property]
        public string $pointer,
        #[OA\Property]
        public string $words,
    ) {
    }
}
