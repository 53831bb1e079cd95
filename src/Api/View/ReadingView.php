<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A reading as it stands. */
#[OA\Schema(required: ['id', 'at', 'by', 'instrument', 'instrumentWords', 'raw', 'original', 'where', 'placed', 'withdrawn', 'doubted', 'corrections', 'expected', 'range', 'fit', 'judgements', 'cautions', 'afterRepair', 'proves', 'terminals', 'around', 'stateWords', 'paired', 'ofIsolation', 'kept'])]
final readonly class ReadingView
{
    /**
     * @param list<CorrectionView> $corrections
     * @param list<JudgementView> $judgements
     * @param list<string> $cautions
     * @param list<string> $terminals
     * @param list<string> $around
     * @param list<string> $stateWords
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public string $by,
        #[OA\Property]
        public string $instrument,
        #[OA\Property]
        public string $instrumentWords,
        #[OA\Property(description: 'As typed, or as corrected.')]
        public string $raw,
        #[OA\Property]
        public string $original,
        #[OA\Property]
        public string $where,
        #[OA\Property]
        public bool $placed,
        #[OA\Property]
        public ?string $withdrawn,
        #[OA\Property(description: 'Why it is not quite believed; it counts for less.')]
        public ?string $doubted,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CorrectionView::class))]
        public array $corrections,
        #[OA\Property]
        public ?string $expected,
        #[OA\Property]
        public ?string $range,
        #[OA\Property(description: 'fits, unsure or off')]
        public ?string $fit,
        #[OA\Property(type: 'array', items: new OA\Items(ref: JudgementView::class))]
        public array $judgements,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
        #[OA\Property]
        public bool $afterRepair,
        #[OA\Property]
        public bool $proves,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $terminals,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $around,
        #[OA\Property(type: 'array', description: 'How the house differed from its resting state.', items: new OA\Items(type: 'string'))]
        public array $stateWords,
        #[OA\Property(oneOf: [new OA\Schema(ref: PairedReadingView::class), new OA\Schema(type: 'null')])]
        public ?PairedReadingView $paired,
        #[OA\Property(description: 'Whether it is a figure of safe isolation; it is corrected there.')]
        public bool $ofIsolation,
        #[OA\Property(description: 'Whether it is the one of repeats that goes on the record: the worst, or both ends.')]
        public bool $kept,
    ) {
    }
}
