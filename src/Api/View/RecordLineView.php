<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** An entry as the record says it: nothing that is stored is left out. */
#[OA\Schema(required: ['id', 'position', 'kind', 'section', 'at', 'storedAt', 'by', 'words', 'facts', 'beside', 'withdrawn', 'photo', 'original', 'canCorrect', 'canWithdraw'])]
final readonly class RecordLineView
{
    /**
     * @param list<FactView> $facts
     * @param list<BesideView> $beside
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public int $position,
        #[OA\Property]
        public string $kind,
        #[OA\Property(description: 'told, seen, safe, done, readings, cause, decided, repair, unrepaired, advice, closed or beside')]
        public string $section,
        #[OA\Property]
        public string $at,
        #[OA\Property(description: 'Where the clock of the device and that of the server differ by more than five minutes.')]
        public ?string $storedAt,
        #[OA\Property]
        public string $by,
        #[OA\Property]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FactView::class))]
        public array $facts,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BesideView::class))]
        public array $beside,
        #[OA\Property(description: 'The reason, when it does not stand any more.')]
        public ?string $withdrawn,
        #[OA\Property]
        public bool $photo,
        #[OA\Property(description: 'What it said before it was corrected; null when nobody has.')]
        public ?string $original,
        #[OA\Property(description: 'Whether its words can be put right beside it; of a reading its figure is.')]
        public bool $canCorrect,
        #[OA\Property]
        public bool $canWithdraw,
    ) {
    }
}
