<?php

declare(strict_types=1);

namespace App\Api\View;

use OpenApi\Attributes as OA;

/** A call with everything that happened on it. */
#[OA\Schema(required: ['call', 'houseVersion', 'state', 'ledger', 'isolation', 'proofs', 'readings', 'observations', 'earlier', 'unsettled', 'ruleSet', 'classes', 'position', 'last', 'record', 'closing', 'canTry', 'toRepeat', 'questions', 'isSafe', 'beside', 'standing'])]
final readonly class CallDetail
{
    /**
     * @param list<LedgerEntry> $ledger
     * @param list<ProofView> $proofs
     * @param list<ReadingView> $readings
     * @param list<ObservationView> $observations
     * @param list<EarlierVisitView> $earlier
     * @param list<string> $unsettled
     * @param list<PickView> $classes
     * @param list<RecordLineView> $record
     * @param list<ToRepeatView> $toRepeat
     * @param list<QuestionView> $questions
     * @param list<CompanionView> $beside
     */
    public function __construct(
        #[OA\Property]
        public CallSummary $call,
        #[OA\Property]
        public ?int $houseVersion,
        #[OA\Property]
        public StateView $state,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LedgerEntry::class))]
        public array $ledger,
        #[OA\Property]
        public IsolationView $isolation,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ProofView::class))]
        public array $proofs,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ReadingView::class))]
        public array $readings,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ObservationView::class))]
        public array $observations,
        #[OA\Property(type: 'array', description: 'Earlier calls to the same address, newest first.', items: new OA\Items(ref: EarlierVisitView::class))]
        public array $earlier,
        #[OA\Property(type: 'array', description: 'Observations that tell a symptom without a verdict yet.', items: new OA\Items(type: 'string'))]
        public array $unsettled,
        #[OA\Property(description: 'Of the house; A while there is none.')]
        public string $ruleSet,
        #[OA\Property(type: 'array', description: 'The classes that an observation can have under that rule set.', items: new OA\Items(ref: PickView::class))]
        public array $classes,
        #[OA\Property(description: 'Of the last entry; 0 when there is none.')]
        public int $position,
        #[OA\Property(description: 'Id of the last entry; empty when there is none.')]
        public string $last,
        #[OA\Property(type: 'array', items: new OA\Items(ref: RecordLineView::class))]
        public array $record,
        #[OA\Property]
        public ClosingView $closing,
        #[OA\Property(description: 'Whether the complaint can be tried again: something was repaired, and somebody complained.')]
        public bool $canTry,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ToRepeatView::class))]
        public array $toRepeat,
        #[OA\Property(type: 'array', items: new OA\Items(ref: QuestionView::class))]
        public array $questions,
        #[OA\Property(description: 'Whether a complete proof of dead stands somewhere.')]
        public bool $isSafe,
        #[OA\Property(type: 'array', description: 'Who stands beside which trainee at live steps now.', items: new OA\Items(ref: CompanionView::class))]
        public array $beside,
        #[OA\Property(description: 'How the house stands; null while the call has none.')]
        public ?StandingView $standing,
    ) {
    }
}
