<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** An electrician who stands beside a trainee at live steps. */
#[OA\Schema(required: ['trainee', 'electrician', 'until'])]
final readonly class CompanionView
{
    public function __construct(
        #[OA\Property(description: 'The id of the trainee.', format: 'uuid')]
        public string $trainee,
        #[OA\Property(description: 'The name of the electrician.')]
        public string $electrician,
        #[OA\Property]
        public string $until,
    ) {
    }
}
