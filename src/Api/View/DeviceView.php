<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A device or load to be switched, by id and name. */
#[OA\Schema(required: ['id', 'name'])]
final readonly class DeviceView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
    ) {
    }
}
