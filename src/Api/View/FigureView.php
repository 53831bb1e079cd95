<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One line that comes out of a sum. */
#[OA\Schema(required: ['words', 'text', 'value', 'warns'])]
final readonly class FigureView
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'With its unit, to three digits.')]
        public string $text,
        #[OA\Property(description: 'Null for a line that is no number, or has no limit.')]
        public ?float $value,
        #[OA\Property(description: 'Whether it is something to stop at.')]
        public bool $warns,
    ) {
    }
}
