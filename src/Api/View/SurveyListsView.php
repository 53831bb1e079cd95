<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Typical boards and circuits of a rule set, to pick from. */
#[OA\Schema(required: ['patterns', 'feeds', 'evidence'])]
final readonly class SurveyListsView
{
    /**
     * @param list<BoardPatternView> $patterns
     * @param list<FeedsView> $feeds
     * @param list<PickView> $evidence
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: BoardPatternView::class))]
        public array $patterns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FeedsView::class))]
        public array $feeds,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PickView::class))]
        public array $evidence,
    ) {
    }
}
