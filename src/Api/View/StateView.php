<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** The state a house is in: only what differs from closed, landed, on. */
#[OA\Schema(required: ['positions', 'lifted', 'links', 'loads', 'hash'])]
final readonly class StateView
{
    /**
     * @param list<string> $lifted
     * @param list<list<string>> $links
     */
    public function __construct(
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public object $positions,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $lifted,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'string')))]
        public array $links,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public object $loads,
        #[OA\Property(description: 'The same for the same state.')]
        public string $hash,
    ) {
    }
}
