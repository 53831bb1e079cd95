<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** All causes after all readings. */
#[OA\Schema(required: ['readings', 'suspects', 'rest'])]
final readonly class RankingView
{
    /**
     * @param list<SuspectView> $suspects
     */
    public function __construct(
        #[OA\Property]
        public int $readings,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SuspectView::class))]
        public array $suspects,
        #[OA\Property(description: 'Of all that is small, or not listed here, together; as it is shown.')]
        public string $rest,
    ) {
    }
}
