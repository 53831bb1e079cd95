<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What was said of an entry later: a correction, a withdrawal, a doubt. */
#[OA\Schema(required: ['kind', 'at', 'by', 'words', 'reason'])]
final readonly class BesideView
{
    public function __construct(
        #[OA\Property(description: 'corrected, withdrawn or doubted')]
        public string $kind,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public string $by,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $reason,
    ) {
    }
}
