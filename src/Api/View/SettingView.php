<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What a page has to say before anybody has logged in. */
#[OA\Schema(required: ['demonstration', 'takesPhotos'])]
final readonly class SettingView
{
    public function __construct(
        #[OA\Property(description: 'Everything here is invented, and nothing real belongs in it.')]
        public bool $demonstration,
        #[OA\Property(description: 'Whether there is room for pictures.')]
        public bool $takesPhotos,
    ) {
    }
}
