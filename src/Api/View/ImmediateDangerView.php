<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What cannot wait for a diagnosis, with what takes it away. */
#[OA\Schema(required: ['words', 'devices'])]
final readonly class ImmediateDangerView
{
    /** @param list<DeviceView> $devices */
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(type: 'array', description: 'To be switched off now.', items: new OA\Items(ref: DeviceView::class))]
        public array $devices,
    ) {
    }
}
