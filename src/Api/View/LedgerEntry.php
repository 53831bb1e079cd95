<?php

declare(strict_types=1);

namespace App\Api\View;

use App\Observation\Act;
use OpenApi\Attributes as OA;

/** One temporary change that has to be undone before the house is left. */
#[OA\Schema(required: ['operation', 'subject', 'value', 'words', 'backOperation', 'backValue', 'clampFirst'])]
final readonly class LedgerEntry
{
    public function __construct(
        #[OA\Property(enum: Act::OPERATIONS)]
        public string $operation,
        #[OA\Property]
        public string $subject,
        #[OA\Property]
        public string $value,
        #[OA\Property]
        public string $words,
        #[OA\Property(enum: Act::OPERATIONS, description: 'How it is undone, on the same subject.')]
        public string $backOperation,
        #[OA\Property]
        public string $backValue,
        #[OA\Property(description: 'Core that the jaw of a clamp goes around before this is done: a neutral or an earth that is parted.', nullable: true)]
        public ?string $clampFirst,
    ) {
    }
}
