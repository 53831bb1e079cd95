<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A common way to build a board. */
#[OA\Schema(required: ['slug', 'words', 'device', 'ways', 'groups'])]
final readonly class BoardPatternView
{
    /** @param list<GroupView> $groups */
    public function __construct(
        #[OA\Property]
        public string $slug,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $device,
        #[OA\Property]
        public int $ways,
        #[OA\Property(type: 'array', items: new OA\Items(ref: GroupView::class))]
        public array $groups,
    ) {
    }
}
