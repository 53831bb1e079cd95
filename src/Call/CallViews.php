<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\CallDetail;
use App\Api\View\CallSummary;
use App\Api\View\EarlierVisitView;
use App\Api\View\IsolationStepView;
use App\Api\View\LedgerEntry;
use App\Api\View\ObservationView;
use App\Api\View\PickView;
use App\Api\View\ProofView;
use App\Api\View\StateView;
use App\Entity\Call;
use App\Entity\Observation;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Safety\ClampFirst;

/** A call and its journal as the page sees them. */
final readonly class CallViews
{
    private const USUAL_RULES = 'A';

    public function __construct(private CallStore $calls, private TradeData $trade)
    {
    }

    public function summary(Call $call, Journal $journal): CallSummary
    {
        return new CallSummary(
            $call->id->toRfc4122(),
            $call->address,
            $call->customer,
            $call->complaint,
            $call->visit,
            $journal->stage(),
            self::time($call->openedAt),
            $call->house?->id->toRfc4122(),
            $this->unsafe($journal),
        );
    }

    public function detail(Call $call, Journal $journal): CallDetail
    {
        $ruleSet = $journal->house->ruleSet ?? self::USUAL_RULES;
        $classes = $this->trade->ruleSet($ruleSet)->classes();

        return new CallDetail(
            $this->summary($call, $journal),
            $call->house?->version,
            self::state($journal->state()),
            null === $journal->house ? [] : self::ledger($journal->house, State::resting($journal->house), $journal->state()),
            $this->isolation($journal),
            array_map(static fn (Proof $proof): ProofView => new ProofView($journal->house?->places[$proof->place]->name ?? $proof->place, self::time($proof->at), $proof->complete, $proof->lapsed, $proof->words()), $journal->isolations()->proofs()),
            ReadingViews::of($journal),
            array_map($this->observation(...), $journal->observations),
            array_map($this->earlier(...), $this->calls->earlier($call)),
            array_map(static fn (Observation $observation): string => $observation->id->toRfc4122(), $journal->unsettled()),
            $ruleSet,
            array_map(static fn (string $slug, string $words): PickView => new PickView($slug, $words), array_keys($classes), array_values($classes)),
        );
    }

    public function observation(Observation $observation): ObservationView
    {
        $payload = $observation->payload;
        if (isset($payload['photo'])) {
            $payload['photo'] = true; // fetched by itself, so that a call stays small
        }

        return new ObservationView($observation->id->toRfc4122(), $observation->position, $observation->kind, self::time($observation->clientAt), $observation->author->name, (object) $payload, (object) $observation->verdict);
    }

    private function earlier(Call $call): EarlierVisitView
    {
        $words = $this->calls->journal($call)->last('accepted')->verdict['words'] ?? '';

        return new EarlierVisitView($call->id->toRfc4122(), self::time($call->openedAt), $call->complaint, \is_string($words) ? $words : '');
    }

    public static function state(State $state): StateView
    {
        $raw = $state->toArray();

        return new StateView((object) $raw['positions'], $raw['lifted'], $raw['links'], (object) $raw['loads']);
    }

    /** @return list<LedgerEntry> what leads from one state to another, each with the way back */
    public static function ledger(House $house, State $from, State $to): array
    {
        return array_map(static function (StateChange $change) use ($house, $from): LedgerEntry {
            $back = $change->undoneTo($from);

            return new LedgerEntry($change->operation, $change->subject, $change->value, $change->words($house), $back->operation, $back->value, ClampFirst::of($house, [$change])[$change->subject] ?? null);
        }, $from->changesTo($to));
    }

    /** @return list<string> */
    private function unsafe(Journal $journal): array
    {
        $unsafe = [];
        $accepted = $journal->last('accepted');
        if (null !== $accepted && !$journal->isRepairProved()) {
            $words = $accepted->verdict['words'] ?? '';
            if (\in_array($accepted->verdict['class'] ?? '', ['D', 'P'], true) && \is_string($words)) {
                $unsafe[] = null === $journal->last('repaired') ? "$words: not repaired." : "$words: repaired, not proved.";
            }
        }
        if (null !== $journal->house) {
            $state = $journal->state();
            if ([] !== $state->lifted || [] !== $state->links) {
                $unsafe[] = 'Conductors lifted or links fitted: see the ledger.';
            }
        }

        return $unsafe;
    }

    /** @return list<IsolationStepView> */
    private function isolation(Journal $journal): array
    {
        $done = $journal->isolations()->steps();
        $views = [];
        $next = true;
        foreach (Isolation::cases() as $step) {
            $tick = $done[$step->value] ?? null;
            $skipped = null === $tick ? null : (new Attributes($tick->payload, ''))->string('skipped', '');
            $views[] = new IsolationStepView($step->value, $step->words(), $step->caution(), null === $tick ? null : self::time($tick->clientAt), $tick?->author->name, '' === $skipped ? null : $skipped, null === $tick && $next);
            $next = $next && null !== $tick;
        }

        return $views;
    }

    public static function time(\DateTimeImmutable $at): string
    {
        return $at->format('Y-m-d\TH:i:s\Z');
    }
}
