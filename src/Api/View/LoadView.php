<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Something that draws current. */
#[OA\Schema(required: ['id', 'name', 'state'])]
final readonly class LoadView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property(description: 'on, off or out')]
        public string $state,
    ) {
    }
}
