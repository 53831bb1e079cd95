<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\Problem;
use App\Observation\Accepted;
use App\Observation\Closed;
use App\Observation\Entry;
use App\Observation\IsolationStep;
use App\Observation\Measured;
use App\Observation\Repaired;
use App\Observation\Seen;
use App\Observation\Stay;
use App\Observation\Unrepaired;
use App\Words\Say;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Safety\Levers;
use YellowProbe\Words\Message;

/** What stands between a call and its closing. A visit ends with a repair that is proved, or with what is left written down. */
final readonly class Closing
{
    /** The most serious class of every rule set. */
    public const DANGER = 'D';

    public function __construct(private Say $say)
    {
    }

    /** @return list<Message> what has to be done or written before this call can close, whatever is said at closing */
    public function obstacles(Journal $journal): array
    {
        $obstacles = [];
        $unsettled = \count($journal->unsettled());
        if ($unsettled > 0) {
            $obstacles[] = new Message('closing.unsettled', ['count' => $unsettled]);
        }
        $accepted = $journal->last(Accepted::class);
        if (null !== $accepted && !$journal->isRepairProved() && !$this->isLeft($journal, $accepted[0])) {
            $obstacles[] = new Message(null === $journal->last(Repaired::class) ? 'closing.unrepaired' : 'closing.unproved');
        }
        if (null !== $journal->isolations()->stopped()) {
            $obstacles[] = new Message('closing.voltage');
        }
        if ([] !== $journal->fold()->asked()) {
            $obstacles[] = new Message('closing.asked');
        }
        if ([] !== $journal->state()->links) {
            $obstacles[] = new Message('closing.link');
        }

        return $obstacles;
    }

    /** @return list<StateChange> what is not as it was found: each is put back, or written down as staying, with its reason */
    public static function temporary(Journal $journal): array
    {
        $house = $journal->house;
        if (null === $house) {
            return [];
        }

        return array_values(array_filter(State::resting($house)->changesTo($journal->state()), static fn (StateChange $change): bool => match ($change->operation) {
            'lift', 'link', 'refit', 'unlink' => true,
            'load' => \in_array($change->value, ['out', State::HEATER], true),
            // A wall switch is anybody's.
            default => Levers::isLever($house, $change->subject) || 'source' === $house->parts[$change->subject]->kind,
        }));
    }

    /** @return list<array{Entry, string}> findings of the most serious class that stand, with their words */
    public function dangers(Journal $journal): array
    {
        $dangers = [];
        foreach ($journal->standing(Seen::class) as [$entry, $seen]) {
            if (self::DANGER === ($seen->class ?? $entry->source->verdict['class'] ?? '')) {
                $words = $entry->source->verdict['words'] ?? $seen->text ?? '';
                $dangers[] = [$entry, \is_string($words) ? $words : ''];
            }
        }
        $accepted = $journal->last(Accepted::class);
        if (null !== $accepted && self::DANGER === ($accepted[0]->source->verdict['class'] ?? '')) {
            $words = $accepted[0]->source->verdict['words'] ?? '';
            $dangers[] = [$accepted[0], \is_string($words) ? $words : ''];
        }
        foreach ($journal->standing(Unrepaired::class) as [$entry, $left]) {
            if (self::DANGER === $left->class) {
                $dangers[] = [$entry, $left->finding];
            }
        }

        return $dangers;
    }

    /** Whether anything was behind its cover on this call. */
    public static function wasOpened(Journal $journal): bool
    {
        if ([] !== $journal->opened()->places()) {
            return true;
        }
        foreach ($journal->standing(IsolationStep::class) as [, $step]) {
            if ($step->opened) {
                return true;
            }
        }

        return [] !== $journal->state()->lifted;
    }

    /** @return array<string, mixed> what stays, in words */
    public function verdict(Closed $closed, Journal $journal): array
    {
        $rules = $journal->house->ruleSet ?? Say::USUAL_RULES;
        foreach ($this->obstacles($journal) as $obstacle) {
            throw Problem::conflict($this->say->of($obstacle, $rules));
        }
        $stays = [];
        foreach (self::temporary($journal) as $change) {
            $stay = array_values(array_filter($closed->stays, static fn (Stay $stay): bool => [$stay->operation, $stay->subject, $stay->value] === [$change->operation, $change->subject, $change->value]))[0] ?? null;
            if (null === $stay) {
                throw Problem::conflict($this->say->of(new Message('closing.temporary', ['change' => null === $journal->house ? '' : $change->words($journal->house)]), $rules), '/payload/stays');
            }
            $stays[] = ['words' => null === $journal->house ? '' : $change->words($journal->house), 'reason' => $stay->reason];
        }
        if (!$closed->coversOn && self::wasOpened($journal)) {
            throw Problem::conflict($this->say->of(new Message('closing.covers'), $rules), '/payload/coversOn');
        }
        $this->dangerous($closed, $journal, $rules);

        return ['stays' => $stays];
    }

    /** A danger that was found and "no danger now" cannot stand on one paper, unless it is named what removed it. */
    private function dangerous(Closed $closed, Journal $journal, string $rules): void
    {
        foreach ($this->dangers($journal) as [$danger, $words]) {
            $by = null;
            foreach ($closed->removed as $removed) {
                $by = $removed->danger === $danger->id() ? $journal->entry($removed->by) : $by;
            }
            $isGone = null !== $by && self::isShownGone($journal, $danger, $by);
            if (null !== $by && !$isGone) {
                throw Problem::conflict($this->say->of(new Message('closing.not-shown', ['danger' => $words]), $rules), '/payload/removed');
            }
            if ($closed->noDanger && !$isGone) {
                throw Problem::conflict($this->say->of(new Message('closing.danger', ['danger' => $words]), $rules), '/payload/noDanger');
            }
            if (!$isGone && !$danger->payload instanceof Unrepaired && !$this->isLeft($journal, $danger)) {
                throw Problem::conflict($this->say->of(new Message('closing.danger-left', ['danger' => $words]), $rules), '/payload/removed');
            }
        }
    }

    /** @return list<string> ids of the entries that can be named as showing a danger gone */
    public static function showing(Journal $journal, Entry $danger): array
    {
        return array_values(array_map(static fn (Entry $entry): string => $entry->id(), array_filter($journal->entries, static fn (Entry $entry): bool => self::isShownGone($journal, $danger, $entry))));
    }

    private static function isShownGone(Journal $journal, Entry $danger, Entry $by): bool
    {
        return $journal->index($by) > $journal->index($danger) && null === $journal->withdrawnReason($by) && self::shows($journal, $by, $danger);
    }

    /** Whether an entry shows a danger gone: a cause by the reading that proves its repair, anything else by a repair, a reading or a look after it. */
    private static function shows(Journal $journal, Entry $by, Entry $danger): bool
    {
        if ($danger->payload instanceof Accepted) {
            return true === $journal->reading($by->id())?->judged->proves;
        }

        return $by->payload instanceof Measured || $by->payload instanceof Repaired || ($by->payload instanceof Seen && self::DANGER !== ($by->payload->class ?? $by->source->verdict['class'] ?? ''));
    }

    /** Whether it is written down that something stays unrepaired. */
    private function isLeft(Journal $journal, Entry $about): bool
    {
        foreach ($journal->standing(Unrepaired::class) as [$entry, $left]) {
            if ($left->about === $about->id() || (null === $left->about && $journal->index($entry) > $journal->index($about))) {
                return true;
            }
        }

        return false;
    }
}
