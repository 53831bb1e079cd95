<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A house document with its version. */
#[OA\Schema(required: ['id', 'address', 'version', 'document'])]
final readonly class HouseView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $address,
        #[OA\Property]
        public int $version,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public object $document,
    ) {
    }
}
