<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One of the states that something can be put in. */
#[OA\Schema(required: ['value', 'words'])]
final readonly class OptionView
{
    public function __construct(
        #[OA\Property]
        public string $value,
        #[OA\Property]
        public string $words,
    ) {
    }
}
