<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A step of safe isolation and what was done about it. */
#[OA\Schema(required: ['step', 'words', 'caution', 'at', 'by', 'skipped', 'next'])]
final readonly class IsolationStepView
{
    public function __construct(
        #[OA\Property]
        public string $step,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $caution,
        #[OA\Property]
        public ?string $at,
        #[OA\Property]
        public ?string $by,
        #[OA\Property(description: 'The reason, when it was skipped.')]
        public ?string $skipped,
        #[OA\Property(description: 'Whether this is the step that may be taken now.')]
        public bool $next,
    ) {
    }
}
