<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\CallDetail;
use App\Api\View\CallSummary;
use App\Api\View\ClosingView;
use App\Api\View\DangerView;
use App\Api\View\EarlierVisitView;
use App\Api\View\LedgerEntry;
use App\Api\View\ObservationView;
use App\Api\View\PickView;
use App\Api\View\QuestionView;
use App\Api\View\StateView;
use App\Api\View\ToRepeatView;
use App\Entity\Call;
use App\Entity\Observation;
use App\Observation\Accepted;
use App\Observation\Act;
use App\Observation\Entry;
use App\Observation\Repaired;
use App\Observation\Unrepaired;
use App\Words\Say;
use Psr\Log\LoggerInterface;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Safety\ClampFirst;
use YellowProbe\Words\Message;

/** A call and its journal as the page sees them. */
final readonly class CallViews
{
    public function __construct(private CallStore $calls, private TradeData $trade, private ReadingViews $readings, private IsolationViews $isolations, private RecordViews $record, private Closing $closing, private Say $say, private LoggerInterface $logger)
    {
    }

    /** A call of a list: one that cannot be read is shown as that, and the list goes on. */
    public function listed(Call $call): CallSummary
    {
        try {
            return $this->summary($call, $this->calls->journal($call));
        } catch (\Throwable $e) {
            $this->logger->error('A call cannot be read', ['call' => $call->id->toRfc4122(), 'exception' => $e]);

            return new CallSummary($call->id->toRfc4122(), $call->address, $call->customer, $call->complaint, $call->visit, 'hear', self::time($call->openedAt), $call->house?->id->toRfc4122(), [$this->say->of(new Message('unsafe.unreadable'))], -1);
        }
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
            array_map($this->earlier(...), $this->calls->earlier($call)),
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

    private function earlier(Call $call): EarlierVisitView
    {
        $accepted = $this->calls->journal($call)->last(Accepted::class);
        $words = null === $accepted ? '' : $accepted[0]->source->verdict['words'] ?? '';

        return new EarlierVisitView($call->id->toRfc4122(), self::time($call->openedAt), $call->complaint, \is_string($words) ? $words : '');
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
                if ($reading->proof && null === $reading->withdrawn && true === ($reading->source->verdict['proves'] ?? false) && $reading->test() === $failed->test()) {
                    $by = $reading->id();
                }
            }
            $repeat[] = new ToRepeatView($failed->id(), $by);
        }

        return $repeat;
    }

    /** The same part, load, joint or link as it stands, said as an act. */
    private static function standing(State $state, StateChange $change): Act
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
                $questions[] = new QuestionView($entry->id(), $change->words($house), new Act($change->operation, $change->subject, $change->value), $entry->source->author->name, self::time($entry->source->clientAt), self::standing($journal->state(), $change));
            }
        }

        return $questions;
    }

    /** @return list<string> */
    private function unsafe(Journal $journal): array
    {
        $unsafe = [];
        $accepted = $journal->last(Accepted::class);
        if (null !== $accepted && !$journal->isRepairProved() && null === $journal->last(Unrepaired::class)) {
            $words = $accepted[0]->source->verdict['words'] ?? '';
            if (\in_array($accepted[0]->source->verdict['class'] ?? '', ['D', 'P'], true) && \is_string($words)) {
                $unsafe[] = new Message(null === $journal->last(Repaired::class) ? 'unsafe.cause' : 'unsafe.unproved', ['cause' => $words]);
            }
        }
        foreach ($journal->standing(Unrepaired::class) as [, $left]) {
            if (Closing::DANGER === $left->class) {
                $unsafe[] = new Message('unsafe.left', ['finding' => $left->finding]);
            }
        }
        if (null !== $journal->isolations()->stopped()) {
            $unsafe[] = new Message('unsafe.voltage');
        }
        if (null !== $journal->house && ([] !== $journal->state()->lifted || [] !== $journal->state()->links)) {
            $unsafe[] = new Message('unsafe.temporary');
        }

        return $this->say->each($unsafe, $journal->house->ruleSet ?? Say::USUAL_RULES);
    }

    public static function time(\DateTimeImmutable $at): string
    {
        return $at->format('Y-m-d\TH:i:s\Z');
    }
}
