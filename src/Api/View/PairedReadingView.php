<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** The same test in another state before it: what was changed between the two, and what it read then. */
#[OA\Schema(required: ['raw', 'changed'])]
final readonly class PairedReadingView
{
    /** @param list<string> $changed */
    public function __construct(
        #[OA\Property]
        public string $raw,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $changed,
    ) {
    }
}
