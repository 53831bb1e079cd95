<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** What an isolation at a place opens, leaves live, and asks to be tried there. */
#[OA\Schema(required: ['off', 'stays', 'warns', 'pairs'])]
final readonly class ScopeView
{
    /**
     * @param list<string> $off
     * @param list<string> $stays
     * @param list<string> $warns
     * @param list<string> $pairs
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $off,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $stays,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $warns,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $pairs,
    ) {
    }
}
