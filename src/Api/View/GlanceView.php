<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;
use YellowProbe\Diagnosis\Fit;

/** What a figure would mean, before it is stored. */
#[OA\Schema(required: ['fit', 'outcome', 'at'])]
final readonly class GlanceView
{
    public function __construct(
        #[OA\Property(enum: Fit::class, description: 'Beside what this house should read.')]
        public string $fit,
        #[OA\Property(description: 'Which of the outcomes that were shown it is, from 0; null for none of them.')]
        public ?int $outcome,
        #[OA\Property(description: 'Where on their scale, 0 to 1; null where it is no number.')]
        public ?float $at,
    ) {
    }
}
