<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A conductor where it lands, by the control that lifts and refits it. */
#[OA\Schema(required: ['role', 'words', 'subject'])]
final readonly class ConductorView
{
    public function __construct(
        #[OA\Property]
        public string $role,
        #[OA\Property(description: 'What it is called: line, neutral, earth.')]
        public string $words,
        #[OA\Property(description: 'Of its control.')]
        public string $subject,
    ) {
    }
}
