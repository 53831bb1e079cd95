<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;
use YellowProbe\Diagnosis\Worth;

/** A test worth doing next. */
#[OA\Schema(required: ['id', 'procedure', 'words', 'instrument', 'terminals', 'around', 'bits', 'worth', 'minutes', 'hazard', 'cannotShow', 'steps', 'changes', 'outcomes', 'losing', 'again', 'needsIsolation'])]
final readonly class NextTestView
{
    /**
     * @param list<string> $terminals
     * @param list<string> $around
     * @param list<string> $steps
     * @param list<LedgerEntry> $changes
     * @param list<OutcomeView> $outcomes
     * @param list<string> $losing
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $procedure,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $instrument,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $terminals,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $around,
        #[OA\Property]
        public float $bits,
        #[OA\Property(enum: Worth::class)]
        public string $worth,
        #[OA\Property]
        public float $minutes,
        #[OA\Property]
        public string $hazard,
        #[OA\Property]
        public string $cannotShow,
        #[OA\Property(type: 'array', description: 'What to do first, from the state the house is in.', items: new OA\Items(type: 'string'))]
        public array $steps,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LedgerEntry::class))]
        public array $changes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OutcomeView::class))]
        public array $outcomes,
        #[OA\Property(type: 'array', description: 'What should stay on and loses its power: ask and arrange first.', items: new OA\Items(type: 'string'))]
        public array $losing,
        #[OA\Property(description: 'What it read when it was done already, and is likelier a slip than not; null for a test not done yet.')]
        public ?string $again,
        #[OA\Property(description: 'Whether it has to be made safe first: the supply goes off for it.')]
        public bool $needsIsolation,
    ) {
    }
}
