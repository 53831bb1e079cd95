<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** How likely an earthing arrangement is by what was ticked. */
#[OA\Schema(required: ['arrangement', 'probability', 'shown'])]
final readonly class ArrangementView
{
    public function __construct(
        #[OA\Property]
        public string $arrangement,
        #[OA\Property]
        public float $probability,
        #[OA\Property(description: 'The same as it is shown.')]
        public string $shown,
    ) {
    }
}
