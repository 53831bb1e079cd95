<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** An earlier call to the same address, and what was found. */
#[OA\Schema(required: ['id', 'openedAt', 'complaint', 'found'])]
final readonly class EarlierVisitView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $openedAt,
        #[OA\Property]
        public string $complaint,
        #[OA\Property(description: 'The cause accepted then; empty when none was.')]
        public string $found,
    ) {
    }
}
