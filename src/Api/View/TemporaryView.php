<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;
use YellowProbe\Safety\Temporary;

/** One thing that is not as the house rests. */
#[OA\Schema(schema: 'Temporary', required: ['change', 'kind', 'isOpen', 'isMain'])]
final readonly class TemporaryView
{
    public function __construct(
        #[OA\Property(ref: LedgerEntry::class, description: 'What was done, and how it is undone.')]
        public LedgerEntry $change,
        #[OA\Property(enum: Temporary::KINDS)]
        public string $kind,
        #[OA\Property(description: 'Whether it may be put back now, before any other.')]
        public bool $isOpen,
        #[OA\Property(description: 'Whether it is the main switch.')]
        public bool $isMain,
    ) {
    }
}
