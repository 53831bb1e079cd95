<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What stands between a call and its closing. */
#[OA\Schema(required: ['obstacles', 'temporary', 'dangers', 'wasOpened'])]
final readonly class ClosingView
{
    /**
     * @param list<string> $obstacles
     * @param list<LedgerEntry> $temporary
     * @param list<DangerView> $dangers
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $obstacles,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LedgerEntry::class))]
        public array $temporary,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DangerView::class))]
        public array $dangers,
        #[OA\Property(description: 'Whether any cover was off on this call.')]
        public bool $wasOpened,
    ) {
    }
}
