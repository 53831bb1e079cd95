<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A lock that hangs. */
#[OA\Schema(required: ['device', 'name', 'keeper', 'number', 'sign', 'at'])]
final readonly class LockView
{
    public function __construct(
        #[OA\Property]
        public string $device,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $keeper,
        #[OA\Property]
        public ?string $number,
        #[OA\Property]
        public bool $sign,
        #[OA\Property]
        public string $at,
    ) {
    }
}
