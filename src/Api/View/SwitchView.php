<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A wall switch. */
#[OA\Schema(required: ['id', 'name', 'twoWay', 'position'])]
final readonly class SwitchView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public bool $twoWay,
        #[OA\Property]
        public string $position,
    ) {
    }
}
