<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A house document with its version. */
#[OA\Schema(required: ['id', 'address', 'version', 'document', 'findings'])]
final readonly class HouseView
{
    /** @param list<FindingView> $findings */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $address,
        #[OA\Property]
        public int $version,
        #[OA\Property(type: 'object', additionalProperties: true)]
        public object $document,
        #[OA\Property(type: 'array', description: 'What is odd and possible: no error, something to look at.', items: new OA\Items(ref: FindingView::class))]
        public array $findings,
    ) {
    }
}
