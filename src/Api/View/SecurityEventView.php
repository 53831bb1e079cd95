<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Security\SecurityLog;
use OpenApi\Attributes as OA;

/** A line of the security log. */
#[OA\Schema(required: ['id', 'kind', 'at', 'person', 'address', 'about'])]
final readonly class SecurityEventView
{
    public function __construct(
        #[OA\Property(format: 'uuid')]
        public string $id,
        #[OA\Property(enum: SecurityLog::ALL)]
        public string $kind,
        #[OA\Property]
        public string $at,
        #[OA\Property(description: 'Who did it, or whose account it was tried on.')]
        public ?string $person,
        #[OA\Property]
        public string $address,
        #[OA\Property(description: 'Whom or what it was about.')]
        public string $about,
    ) {
    }
}
