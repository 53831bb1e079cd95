<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** How the house stands, for the strip that every stage shows. */
#[OA\Schema(required: ['supply', 'main', 'mainOn', 'lockedAt', 'temporary'])]
final readonly class StandingView
{
    /** @param list<TemporaryView> $temporary */
    public function __construct(
        #[OA\Property(description: 'System and nominal voltage; empty while they are not known.')]
        public string $supply,
        #[OA\Property(description: 'Id of the main switch.')]
        public ?string $main,
        #[OA\Property]
        public bool $mainOn,
        #[OA\Property(description: 'Since when a lock hangs on the main switch.')]
        public ?string $lockedAt,
        #[OA\Property(type: 'array', description: 'What is not as it was found, in the order in which it is put back.', items: new OA\Items(ref: TemporaryView::class))]
        public array $temporary,
    ) {
    }
}
