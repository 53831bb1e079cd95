<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** The lists that a story is picked from. */
#[OA\Schema(required: ['symptoms', 'contexts', 'resets', 'onsets', 'findings', 'atRisk', 'looks'])]
final readonly class PicksView
{
    /**
     * @param list<PickView> $symptoms
     * @param list<PickView> $contexts
     * @param list<PickView> $resets
     * @param list<PickView> $onsets
     * @param list<PickView> $findings
     * @param list<PickView> $atRisk
     * @param list<LookView> $looks
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: PickView::class))]
        public array $symptoms,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PickView::class))]
        public array $contexts,
        #[OA\Property(type: 'array', description: 'How a device that tripped can be set again.', items: new OA\Items(ref: PickView::class))]
        public array $resets,
        #[OA\Property(type: 'array', description: 'How soon it comes, and after what.', items: new OA\Items(ref: PickView::class))]
        public array $onsets,
        #[OA\Property(type: 'array', description: 'What can be seen or smelt.', items: new OA\Items(ref: PickView::class))]
        public array $findings,
        #[OA\Property(type: 'array', description: 'Who or what suffers when the power goes.', items: new OA\Items(ref: PickView::class))]
        public array $atRisk,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LookView::class))]
        public array $looks,
    ) {
    }
}
