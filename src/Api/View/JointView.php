<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A neutral that can be lifted at the board. */
#[OA\Schema(required: ['id', 'name', 'lifted'])]
final readonly class JointView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public bool $lifted,
    ) {
    }
}
