<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A reading that failed before the repair, with the one that proves it. */
#[OA\Schema(required: ['reading', 'provedBy'])]
final readonly class ToRepeatView
{
    public function __construct(
        #[OA\Property]
        public string $reading,
        #[OA\Property]
        public ?string $provedBy,
    ) {
    }
}
