<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\CallDetail;
use App\Api\View\CallSummary;
use App\Api\View\ClosingView;
use App\Api\View\CompanionView;
use App\Api\View\DangerView;
use App\Api\View\LedgerEntry;
use App\Api\View\ObservationView;
use App\Api\View\PickView;
use App\Api\View\QuestionView;
use App\Api\View\StandingView;
use App\Api\View\StateView;
use App\Api\View\TemporaryView;
use App\Api\View\ToRepeatView;
use App\Entity\Call;
use App\Entity\Observation;
use App\Observation\Act;
use App\Observation\Entry;
use App\Observation\Repaired;
use App\Words\Say;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Installation\Supply;
use YellowProbe\Procedure\States;
use YellowProbe\Safety\ClampFirst;
use YellowProbe\Safety\PuttingBack;
use YellowProbe\Safety\Temporary;

/** A call and its journal as the page sees them. */
final readonly class CallViews
{
    public function __construct(private Summaries $summaries, private TradeData $trade, private ReadingViews $readings, private IsolationViews $isolations, private RecordViews $record, private Closing $closing, private Say $say)
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
            $this->say->each(Unsafe::of($journal), $journal->house->ruleSet ?? Say::USUAL_RULES),
            \count(array_filter($journal->entries, static fn (Entry $entry): bool => null !== $entry->unreadable)),
        );
    }

    public function detail(Call $call, Journal $journal): CallDetail
    {
        $rules = $journal->house->ruleSet ?? Say::USUAL_RULES;
        $classes = $this->trade->ruleSet($rules)->classes();
        $readings = $this->readings->of($journal);

        return new CallDetail(
            $this->summary($call, $journal),
            $call->house?->version,
            self::state($journal->state()),
            null === $journal->house ? [] : self::ledger($journal->house, State::resting($journal->house), $journal->state()),
            $this->isolations->isolation($journal),
            $this->isolations->proofs($journal),
            $readings,
            array_map(fn (Entry $entry): ObservationView => $this->observation($entry->source), $journal->entries),
            $this->summaries->earlier($call),
            array_map(static fn (Entry $entry): string => $entry->id(), $journal->unsettled()),
            $rules,
            array_map(static fn (string $slug, string $words): PickView => new PickView($slug, $words), array_keys($classes), array_values($classes)),
            $journal->position(),
            [] === $journal->entries ? '' : $journal->entries[\count($journal->entries) - 1]->id(),
            $this->record->of($journal),
            $this->closing($journal, $rules),
            !$journal->isClosed() && null !== $journal->last(Repaired::class) && !$journal->story()->isInspection(),
            self::toRepeat($journal),
            $this->questions($journal),
            [] !== array_filter($journal->isolations()->proofs(), static fn (Proof $proof): bool => $proof->stands()),
            array_map(static fn (array $beside): CompanionView => new CompanionView($beside['trainee'], $beside['electrician'], self::time($beside['until'])), Companions::all($journal)),
            null === $journal->house ? null : self::standing($journal->house, $journal),
        );
    }

    private static function standing(House $house, Journal $journal): StandingView
    {
        $main = States::mains($house)[0] ?? null;
        $lock = null === $main ? null : $journal->isolations()->locks()[$main->id][1] ?? null;

        return new StandingView(
            [] === $house->partsOfKind('service') ? '' : Supply::of($house)->system.', '.Supply::of($house)->nominalVolts.' V',
            $main?->id,
            null !== $main && 'on' === $journal->state()->position($main->id, 'on'),
            null === $lock ? null : self::time($lock->source->clientAt),
            array_map(static fn (Temporary $temporary): TemporaryView => new TemporaryView(self::entries($house, State::resting($house), [$temporary->done])[0], $temporary->kind, $temporary->isOpen, $temporary->done->subject === $main?->id), PuttingBack::of($house, $journal->state())),
        );
    }

    private function observation(Observation $observation): ObservationView
    {
        $payload = $observation->payload;
        if (isset($payload['photo'])) {
            $payload['photo'] = true; // fetched by itself, so that a call stays small
        }

        return new ObservationView($observation->id->toRfc4122(), $observation->position, $observation->kind, self::time($observation->clientAt), $observation->author->name, (object) $payload, (object) $observation->verdict);
    }

    public static function state(State $state): StateView
    {
        $raw = $state->toArray();

        return new StateView((object) $raw['positions'], $raw['lifted'], $raw['links'], (object) $raw['loads'], $state->hash());
    }

    /** @return list<LedgerEntry> what leads from one state to another, each with the way back */
    public static function ledger(House $house, State $from, State $to): array
    {
        return self::entries($house, $from, $from->changesTo($to));
    }

    /**
     * @param list<StateChange> $changes from a state
     *
     * @return list<LedgerEntry>
     */
    private static function entries(House $house, State $from, array $changes): array
    {
        return array_map(static function (StateChange $change) use ($house, $from): LedgerEntry {
            $back = $change->undoneTo($from);

            return new LedgerEntry($change->operation, $change->subject, $change->value, $change->words($house), $back->operation, $back->value, ClampFirst::of($house, [$change])[$change->subject] ?? null);
        }, $changes);
    }

    private function closing(Journal $journal, string $rules): ClosingView
    {
        return new ClosingView(
            $this->say->each($this->closing->obstacles($journal), $rules),
            null === $journal->house ? [] : self::entries($journal->house, State::resting($journal->house), Closing::temporary($journal)),
            array_map(static fn (array $danger): DangerView => new DangerView($danger[0]->id(), $danger[1], Closing::showing($journal, $danger[0])), $this->closing->dangers($journal)),
            Closing::wasOpened($journal),
        );
    }

    /** @return list<ToRepeatView> */
    private static function toRepeat(Journal $journal): array
    {
        $repeat = [];
        foreach (ReadingVerdict::toRepeat($journal) as $failed) {
            $by = null;
            foreach ($journal->readings() as $reading) {
                if ($reading->proof && null === $reading->withdrawn && $reading->judged->proves && $reading->test() === $failed->test()) {
                    $by = $reading->id();
                }
            }
            $repeat[] = new ToRepeatView($failed->id(), $by);
        }

        return $repeat;
    }

    /** The same part, load, joint or link as it stands, said as an act. */
    private static function asAct(State $state, StateChange $change): Act
    {
        return match ($change->operation) {
            'set' => new Act('set', $change->subject, $state->position($change->subject, 'on')),
            'load' => new Act('load', $change->subject, $state->load($change->subject)),
            'lift', 'refit' => new Act($state->isLifted($change->subject) ? 'lift' : 'refit', $change->subject),
            default => new Act($state->isLinked($change->subject, $change->value) ? 'link' : 'unlink', $change->subject, $change->value),
        };
    }

    /** @return list<QuestionView> */
    private function questions(Journal $journal): array
    {
        $questions = [];
        $house = $journal->house;
        if (null === $house) {
            return [];
        }
        foreach ($journal->fold()->asked() as $at => $changes) {
            $entry = $journal->entries[$at];
            foreach ($changes as $change) {
                $questions[] = new QuestionView($entry->id(), $change->words($house), new Act($change->operation, $change->subject, $change->value), $entry->source->author->name, self::time($entry->source->clientAt), self::asAct($journal->state(), $change));
            }
        }

        return $questions;
    }

    public static function time(\DateTimeImmutable $at): string
    {
        return $at->format('Y-m-d\TH:i:s\Z');
    }
}
