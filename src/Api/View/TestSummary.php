<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;
use YellowProbe\Diagnosis\Worth;

/** A test that could be done, by its name and price. */
#[OA\Schema(required: ['id', 'words', 'minutes', 'worth'])]
final readonly class TestSummary
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Its whole price from the state the house is in.')]
        public float $minutes,
        #[OA\Property(enum: Worth::class)]
        public string $worth,
    ) {
    }
}
