<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One device to close again, and what is expected then. */
#[OA\Schema(required: ['device', 'name', 'live', 'dead', 'locked'])]
final readonly class WayBackView
{
    /**
     * @param list<string> $live
     * @param list<string> $dead
     */
    public function __construct(
        #[OA\Property]
        public string $device,
        #[OA\Property]
        public string $name,
        #[OA\Property(type: 'array', description: 'What comes alive with it.', items: new OA\Items(type: 'string'))]
        public array $live,
        #[OA\Property(type: 'array', description: 'Circuits that stay dead.', items: new OA\Items(type: 'string'))]
        public array $dead,
        #[OA\Property(description: 'Who keeps the key of the lock on it; it comes off first.')]
        public ?string $locked,
    ) {
    }
}
