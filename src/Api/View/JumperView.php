<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A jumper against everything beyond it. */
#[OA\Schema(required: ['words', 'isTooSmall'])]
final readonly class JumperView
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public bool $isTooSmall,
    ) {
    }
}
