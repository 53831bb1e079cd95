<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A call in the list. */
#[OA\Schema(required: ['id', 'address', 'customer', 'complaint', 'visit', 'stage', 'openedAt', 'houseId', 'unsafe', 'unreadable'])]
final readonly class CallSummary
{
    /**
     * @param list<string> $unsafe
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $address,
        #[OA\Property]
        public string $customer,
        #[OA\Property]
        public string $complaint,
        #[OA\Property]
        public string $visit,
        #[OA\Property]
        public string $stage,
        #[OA\Property]
        public string $openedAt,
        #[OA\Property]
        public ?string $houseId,
        #[OA\Property(type: 'array', description: 'What is unsafe right now, in sentences.', items: new OA\Items(type: 'string'))]
        public array $unsafe,
        #[OA\Property(description: 'Entries that cannot be read; the whole call when it is -1.')]
        public int $unreadable = 0,
    ) {
    }
}
