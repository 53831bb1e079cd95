<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** With one lead held: what the other should show anywhere else. */
#[OA\Schema(required: ['shown'])]
final readonly class ReachView
{
    public function __construct(
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public object $shown,
    ) {
    }
}
