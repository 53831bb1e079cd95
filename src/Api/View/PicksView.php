<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** The lists that a story is picked from. */
#[OA\Schema(required: ['symptoms', 'contexts', 'findings'])]
final readonly class PicksView
{
    /**
     * @param list<PickView> $symptoms
     * @param list<PickView> $contexts
     * @param list<PickView> $findings
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: PickView::class))]
        public array $symptoms,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PickView::class))]
        public array $contexts,
        #[OA\Property(type: 'array', description: 'What can be seen or smelt.', items: new OA\Items(ref: PickView::class))]
        public array $findings,
    ) {
    }
}
