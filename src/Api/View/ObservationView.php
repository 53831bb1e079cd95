<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One observation as stored. */
#[OA\Schema(required: ['id', 'position', 'kind', 'at', 'by', 'payload', 'verdict'])]
final readonly class ObservationView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public int $position,
        #[OA\Property]
        public string $kind,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public string $by,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public object $payload,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public object $verdict,
    ) {
    }
}
