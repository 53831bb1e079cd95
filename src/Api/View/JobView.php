<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Job\Progress;
use OpenApi\Attributes as OA;

/** An answer that is still being worked out. */
#[OA\Schema(required: ['job', 'progress'])]
final readonly class JobView
{
    public function __construct(
        #[OA\Property(description: 'Address that says how far it is.')]
        public string $job,
        #[OA\Property(description: 'Null when nothing is under way any more: ask for the answer again.')]
        public ?Progress $progress,
    ) {
    }
}
