<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One login of the person who asks. */
#[OA\Schema(required: ['id', 'device', 'address', 'at', 'seenAt', 'isThis'])]
final readonly class LoginView
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $id,
        #[OA\Property(description: 'What the browser says of itself.')]
        public string $device,
        #[OA\Property]
        public string $address,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public string $seenAt,
        #[OA\Property(description: 'Whether it is the one that asks.')]
        public bool $isThis,
    ) {
    }
}
