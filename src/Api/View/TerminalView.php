<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A terminal that a probe can reach. */
#[OA\Schema(required: ['id', 'key', 'role', 'access', 'name'])]
final readonly class TerminalView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $key,
        #[OA\Property]
        public string $role,
        #[OA\Property]
        public string $access,
        #[OA\Property]
        public string $name,
    ) {
    }
}
