<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A tester. */
#[OA\Schema(required: ['slug', 'words', 'unit', 'leads', 'deadOnly'])]
final readonly class InstrumentView
{
    /**
     * @param list<string> $leads
     */
    public function __construct(
        #[OA\Property]
        public string $slug,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $unit,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $leads,
        #[OA\Property]
        public bool $deadOnly,
    ) {
    }
}
