<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What an isolation at a place opens, leaves live, and asks to be tried there. */
#[OA\Schema(required: ['off', 'before', 'loads', 'stays', 'warns', 'pairs'])]
final readonly class ScopeView
{
    /**
     * @param list<DeviceView> $off
     * @param list<DeviceView> $before
     * @param list<DeviceView> $loads
     * @param list<string> $stays
     * @param list<string> $warns
     * @param list<PairView> $pairs
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: DeviceView::class))]
        public array $off,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DeviceView::class))]
        public array $before,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DeviceView::class))]
        public array $loads,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $stays,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $warns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PairView::class))]
        public array $pairs,
    ) {
    }
}
