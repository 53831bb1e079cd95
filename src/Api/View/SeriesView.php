<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A run with what was read so far. */
#[OA\Schema(required: ['id', 'words', 'needs', 'cannotShow', 'hazard', 'members', 'difference', 'stateHash'])]
final readonly class SeriesView
{
    /**
     * @param list<SeriesMemberView> $members
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $needs,
        #[OA\Property]
        public string $cannotShow,
        #[OA\Property]
        public string $hazard,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SeriesMemberView::class))]
        public array $members,
        #[OA\Property(ref: AgreementView::class, description: 'Of a pair of states, once both are read: by how much it moved.', nullable: true)]
        public ?AgreementView $difference,
        #[OA\Property(description: 'Of the state that the changes of its members begin from.')]
        public string $stateHash,
    ) {
    }
}
