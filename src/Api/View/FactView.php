<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One thing that the record holds of an entry: its label and what it says. */
#[OA\Schema(required: ['label', 'value'])]
final readonly class FactView
{
    public function __construct(
        #[OA\Property]
        public string $label,
        #[OA\Property]
        public string $value,
    ) {
    }
}
