<?php

declare(strict_types=1);

namespace App\Record;

use App\Call\Journal;
use App\Observation\Accompanied;
use App\Observation\Act;
use App\Observation\Done;
use App\Observation\Entry;
use App\Observation\IsolationStep;
use App\Observation\Lock;
use App\Observation\PairTried;
use App\Words\Say;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Procedure\TestName;
use YellowProbe\Safety\IsolationScope;
use YellowProbe\Safety\Pair;
use YellowProbe\Words\Message;

/** What was switched, lifted, isolated, locked and proved, as it was done. */
final readonly class SafetyLines implements LinesOfKind
{
    public function __construct(private Say $say)
    {
    }

    public function kinds(): array
    {
        return [Done::class, IsolationStep::class, Accompanied::class];
    }

    public function line(Journal $journal, Entry $entry, Facts $facts): RecordLine
    {
        $trainee = $entry->source->verdict['traineeName'] ?? '';

        return match (true) {
            $entry->payload instanceof Done => self::done($entry, $entry->payload, $facts),
            $entry->payload instanceof IsolationStep => $this->step($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Accompanied => new RecordLine('safe', $facts->say('record.accompanied', ['electrician' => $entry->source->author->name, 'trainee' => \is_string($trainee) ? $trainee : '', 'minutes' => (string) $journal->proofMinutes])),
            default => throw new \LogicException('Not of these kinds.'),
        };
    }

    private static function done(Entry $entry, Done $done, Facts $facts): RecordLine
    {
        $house = $facts->house();
        $stored = $entry->source->verdict['words'] ?? [];
        $words = null === $house ? (\is_array($stored) ? array_values(array_filter($stored, is_string(...))) : []) : array_map(static fn (Act $act): string => $act->change()->words($house), $done->changes);
        $watched = $done->watched;
        $facts->add('not-clamped', $done->notClamped)->add('explained', $done->explained);
        if (null !== $watched) {
            $facts->list('expected-live', $watched->live)->list('expected-dead', $watched->dead)
                ->add('watched', $facts->say($watched->asExpected ? 'record.as-expected' : ($watched->trips ? 'record.tripped-again' : 'record.not-as-expected')))
                ->add('found', $watched->found);
        }

        return new RecordLine('done', implode('. ', $words).'.', $facts->all());
    }

    private function step(Journal $journal, Entry $entry, IsolationStep $step, Facts $facts): RecordLine
    {
        $words = match (true) {
            $step->hasFoundVoltage() && Isolation::Dead === $step->inOrder() => $facts->say('record.voltage-found'),
            $step->isTaken() && Isolation::Loads === $step->inOrder() && [] === $step->off => $facts->say('record.no-load-off'),
            default => $facts->say("isolation.$step->step"),
        };
        $facts->add('text', $step->text)
            ->list('people-warned', $step->people)
            ->add('place', null === $step->place ? null : $facts->name($step->place))
            ->add('level', null === $step->level ? null : $facts->say("level.$step->level"))
            ->list('opened', $facts->names($step->switched))
            ->list('loads-off', $facts->names($step->off))
            ->list('locks', array_map(static fn (Lock $lock): string => $facts->say(IsolationStep::RELEASE === $step->step ? 'record.unlocked' : 'record.lock', ['part' => $facts->name($lock->device), 'keeper' => $lock->keeper, 'number' => $lock->number ?? '', 'has' => null === $lock->number ? 'no' : 'yes', 'sign' => $lock->sign ? 'yes' : 'no']), $step->locks))
            ->add('key', $step->key)
            ->add('proved-on', null === $step->on ? null : $facts->say("source.$step->on"))
            ->list('tried', $this->tried($step, $facts))
            ->list('pairs', $step->pairs)
            ->flag('at-terminals', $step->opened);
        foreach ($journal->isolations()->proofs() as $proof) {
            if ($proof->entry === $entry) {
                $lapse = $proof->lapsedWords();
                $facts->add('worth', $this->say->of($proof->words(), $facts->rules()))
                    ->add('lapsed', null === $lapse ? null : $this->say->of($lapse, $facts->rules()).(null === $proof->lapsedBy ? '' : ' ('.$proof->lapsedBy->source->clientAt->format('H:i').')'));
            }
        }

        return new RecordLine('safe', null === $step->skipped ? $words : $facts->say('record.left-out', ['step' => $words, 'reason' => $step->skipped]), $facts->all());
    }

    /** A pair that is none of its place's any more, by its two ends. */
    private function ends(PairTried $tried, Facts $facts): string
    {
        $house = $facts->house();
        $ends = explode('|', $tried->pair);
        if (null === $house || 2 !== \count($ends) || !$house->hasTerminal($ends[0]) || !$house->hasTerminal($ends[1])) {
            return $facts->say('record.gone');
        }

        return $this->say->inside(new Message('pair.ends', ['ends' => [TestName::end($house, $ends[0]), TestName::end($house, $ends[1])]]), $facts->rules());
    }

    /** @return list<string> each pair with what was found on it, in the order they were tried */
    private function tried(IsolationStep $step, Facts $facts): array
    {
        $house = $facts->house();
        $known = [];
        foreach (null === $house || null === $step->place || !isset($house->places[$step->place]) ? [Pair::others()] : IsolationScope::pairs($house, $step->place) as $pair) {
            $known[$pair->id] = $this->say->inside($pair->words, $facts->rules());
        }

        return array_map(fn (PairTried $tried): string => $facts->say($tried->voltage ? (null === $tried->raw ? 'record.pair.voltage' : 'record.pair.figure') : (null === $tried->raw ? 'record.pair.none' : 'record.pair.none-figure'), ['pair' => $known[$tried->pair] ?? $this->ends($tried, $facts), 'raw' => $tried->raw ?? '']), $step->tried);
    }
}
