<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A run of one test that the house has. */
#[OA\Schema(required: ['id', 'words', 'count', 'done'])]
final readonly class SeriesSummary
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public int $count,
        #[OA\Property]
        public int $done,
    ) {
    }
}
