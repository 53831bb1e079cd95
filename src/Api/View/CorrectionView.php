<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A correction beside the original reading. */
#[OA\Schema(required: ['id', 'raw', 'reason'])]
final readonly class CorrectionView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $raw,
        #[OA\Property]
        public string $reason,
    ) {
    }
}
