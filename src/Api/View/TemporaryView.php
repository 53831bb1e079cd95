<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Observation\Act;
use OpenApi\Attributes as OA;
use YellowProbe\Safety\Temporary;

/** One thing that is not as the house rests. */
#[OA\Schema(schema: 'Temporary', required: ['operation', 'subject', 'words', 'backOperation', 'backValue', 'kind', 'isOpen', 'isMain'])]
final readonly class TemporaryView
{
    public function __construct(
        #[OA\Property(enum: Act::OPERATIONS)]
        public string $operation,
        #[OA\Property]
        public string $subject,
        #[OA\Property]
        public string $words,
        #[OA\Property(enum: Act::OPERATIONS, description: 'How it is undone, on the same subject.')]
        public string $backOperation,
        #[OA\Property]
        public string $backValue,
        #[OA\Property(enum: Temporary::KINDS)]
        public string $kind,
        #[OA\Property(description: 'Whether it may be put back now, before any other.')]
        public bool $isOpen,
        #[OA\Property(description: 'Whether it is the main switch.')]
        public bool $isMain,
    ) {
    }
}
