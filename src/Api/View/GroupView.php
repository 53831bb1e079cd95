<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Ways behind one residual device, or behind none. */
#[OA\Schema(required: ['name', 'milliamps', 'type'])]
final readonly class GroupView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public float $milliamps,
        #[OA\Property]
        public string $type,
    ) {
    }
}
