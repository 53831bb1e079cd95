<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A house of the firm. */
#[OA\Schema(required: ['id', 'address', 'version'])]
final readonly class HouseSummary
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $address,
        #[OA\Property]
        public int $version,
    ) {
    }
}
