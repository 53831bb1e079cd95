<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** One reading of a run. */
#[OA\Schema(required: ['id', 'words', 'place', 'instrument', 'terminals', 'around', 'changes', 'steps', 'expected', 'raw', 'fit', 'expectedAt', 'readAt', 'outlier', 'needsIsolation'])]
final readonly class SeriesMemberView
{
    /**
     * @param list<string> $terminals
     * @param list<string> $around
     * @param list<LedgerEntry> $changes
     * @param list<string> $steps
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Name of the point or way.')]
        public string $place,
        #[OA\Property]
        public string $instrument,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $terminals,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $around,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LedgerEntry::class))]
        public array $changes,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $steps,
        #[OA\Property]
        public string $expected,
        #[OA\Property(nullable: true)]
        public ?string $raw,
        #[OA\Property(nullable: true)]
        public ?string $fit,
        #[OA\Property(nullable: true)]
        public ?float $expectedAt,
        #[OA\Property(nullable: true)]
        public ?float $readAt,
        #[OA\Property]
        public bool $outlier,
        #[OA\Property(description: 'Whether it has to be made safe first: the supply goes off for it.')]
        public bool $needsIsolation,
    ) {
    }
}
