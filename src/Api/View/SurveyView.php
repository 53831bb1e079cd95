<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What a survey sheet makes: the house, what was assumed, the board judged. */
#[OA\Schema(required: ['document', 'open', 'earthing', 'board'])]
final readonly class SurveyView
{
    /**
     * @param list<string> $open
     * @param list<ArrangementView> $earthing
     */
    public function __construct(
        #[OA\Property(type: 'object', additionalProperties: true)]
        public object $document,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $open,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ArrangementView::class))]
        public array $earthing,
        #[OA\Property(ref: BoardView::class)]
        public BoardView $board,
    ) {
    }
}
