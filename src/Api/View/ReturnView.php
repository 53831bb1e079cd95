<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A cable that closes a ring or bridges two stops. */
#[OA\Schema(required: ['from', 'to'])]
final readonly class ReturnView
{
    public function __construct(
        #[OA\Property]
        public ?string $from,
        #[OA\Property(description: 'The stop, or null for the board.')]
        public ?string $to,
    ) {
    }
}
