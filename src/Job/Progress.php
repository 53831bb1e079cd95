<?php

declare(strict_types=1);

namespace App\Job;

use OpenApi\Attributes as OA;

/** How far a piece of work is. */
#[OA\Schema(schema: 'Progress', required: ['isRunning', 'done', 'total', 'ahead'])]
final readonly class Progress
{
    public function __construct(
        #[OA\Property(description: 'Whether a worker has taken it up.')]
        public bool $isRunning,
        #[OA\Property(description: 'Pieces done.')]
        public int $done,
        #[OA\Property(description: 'Pieces in all; 0 while that is not known.')]
        public int $total,
        #[OA\Property(description: 'Others that are worked out before it.')]
        public int $ahead,
    ) {
    }
}
