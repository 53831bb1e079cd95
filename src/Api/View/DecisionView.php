<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** Mend now, or make safe and come back: both with minutes and money. */
#[OA\Schema(required: ['mendMinutes', 'mendMoney', 'listMinutes', 'listMoney', 'leansToMend', 'because'])]
final readonly class DecisionView
{
    /**
     * @param list<string> $because
     */
    public function __construct(
        #[OA\Property]
        public float $mendMinutes,
        #[OA\Property]
        public float $mendMoney,
        #[OA\Property]
        public float $listMinutes,
        #[OA\Property]
        public float $listMoney,
        #[OA\Property]
        public bool $leansToMend,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $because,
    ) {
    }
}
