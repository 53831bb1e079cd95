<?php

declare(strict_types=1);

namespace App\Record;

use App\Call\Journal;
use App\Call\TradeData;
use App\Observation\Accepted;
use App\Observation\Advised;
use App\Observation\Closed;
use App\Observation\Decided;
use App\Observation\Entry;
use App\Observation\Removed;
use App\Observation\Repaired;
use App\Observation\Unrepaired;

/** What was found to be the cause, decided, repaired, left and handed over. */
final readonly class WorkLines implements LinesOfKind
{
    public function __construct(private TradeData $trade)
    {
    }

    public function kinds(): array
    {
        return [Accepted::class, Decided::class, Repaired::class, Unrepaired::class, Advised::class, Closed::class];
    }

    public function line(Journal $journal, Entry $entry, Facts $facts): RecordLine
    {
        return match (true) {
            $entry->payload instanceof Accepted => $this->accepted($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Decided => self::decided($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Repaired => self::repaired($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Unrepaired => $this->unrepaired($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Advised => new RecordLine('advice', $journal->words($entry)),
            $entry->payload instanceof Closed => self::closed($journal, $entry, $entry->payload, $facts),
            default => throw new \LogicException('Not of these kinds.'),
        };
    }

    /** What the ranking was computed with, so that it can be computed again. */
    private static function versions(mixed $versions, Facts $facts): ?string
    {
        $all = array_filter(\is_array($versions) ? $versions : [], is_string(...));

        return isset($all['engine'], $all['catalogue'], $all['priors'], $all['ruleSet']) ? $facts->say('record.versions', $all) : null;
    }

    private function accepted(Journal $journal, Entry $entry, Accepted $accepted, Facts $facts): RecordLine
    {
        $verdict = $entry->source->verdict;
        $text = static fn (string $key): ?string => \is_string($verdict[$key] ?? null) ? $verdict[$key] : null;
        $class = $text('class');
        $others = [];
        foreach (\is_array($verdict['ranking'] ?? null) ? \array_slice($verdict['ranking'], 1, 3) : [] as $other) {
            if (\is_array($other) && \is_string($other['title'] ?? null)) {
                $others[] = $other['title'].(\is_string($other['shown'] ?? null) ? " ({$other['shown']})" : '');
            }
        }
        $reasons = [];
        foreach (\is_array($verdict['reasons'] ?? null) ? \array_slice($verdict['reasons'], 0, 6) : [] as $reason) {
            if (\is_array($reason) && \is_string($reason['sentence'] ?? null)) {
                $reasons[] = (is_numeric($reason['nats'] ?? null) && $reason['nats'] > 0 ? '+ ' : '− ').$reason['sentence'];
            }
        }
        $facts->add('knowing', $facts->say("knowing.$accepted->knowing"))
            ->add('probability', $text('shown'))
            ->add('probability-here', $text('shown') === $text('shownHere') ? null : $text('shownHere'))
            ->add('class', null === $class || '' === $class ? null : ($this->trade->ruleSet($facts->rules())->classes()[$class] ?? $class))
            ->add('how', $journal->words($entry))
            ->list('reasons', $reasons)
            ->list('others', $others)
            ->add('computed-with', self::versions($verdict['versions'] ?? null, $facts));

        return new RecordLine('cause', $text('words') ?? $accepted->hypothesis, $facts->all());
    }

    private static function decided(Journal $journal, Entry $entry, Decided $decided, Facts $facts): RecordLine
    {
        $facts->add('reason', $journal->words($entry))->add('agreed', null === $decided->consent ? null : $facts->say('record.agreed', ['who' => $decided->consent->who, 'how' => $decided->consent->how]));
        $inputs = $decided->inputs;
        if (null !== $inputs) {
            $facts->add('decided-from', $facts->say('record.inputs', ['affected' => self::plain($inputs->affected), 'tested' => self::plain($inputs->tested), 'each' => self::plain($inputs->minutesEach), 'left' => self::plain($inputs->minutesLeft), 'materials' => self::plain($inputs->materials), 'rate' => self::plain($inputs->ratePerHour), 'danger' => $inputs->isDangerous ? 'yes' : 'no', 'parts' => $inputs->hasParts ? 'yes' : 'no', 'repair' => $inputs->isRepairVisit ? 'yes' : 'no']));
        }
        $options = $decided->options;
        if (null !== $options) {
            $facts->add('options', $facts->say('record.options', ['mendMinutes' => self::plain($options->mendMinutes), 'mendMoney' => self::plain($options->mendMoney), 'listMinutes' => self::plain($options->listMinutes), 'listMoney' => self::plain($options->listMoney), 'leans' => $options->leansToMend ? 'mend' : 'list']))->list('because', $options->because);
        }

        return new RecordLine('decided', $facts->say("record.decided.$decided->choice"), $facts->all());
    }

    private static function repaired(Journal $journal, Entry $entry, Repaired $repaired, Facts $facts): RecordLine
    {
        $of = $journal->entry(\is_string($entry->source->verdict['of'] ?? null) ? $entry->source->verdict['of'] : '');
        $cause = $of?->source->verdict['words'] ?? null;
        $facts->add('repaired', \is_string($cause) ? $cause : null)->add('materials', $repaired->materials)->add('minutes', null === $repaired->minutes ? null : $facts->say('record.minutes', ['minutes' => $repaired->minutes]));

        return new RecordLine('repair', $journal->words($entry), $facts->all());
    }

    private function unrepaired(Journal $journal, Entry $entry, Unrepaired $left, Facts $facts): RecordLine
    {
        $about = null === $left->about ? null : $journal->entry($left->about);
        $facts->add('class', $this->trade->ruleSet($facts->rules())->classes()[$left->class] ?? $left->class)
            ->add('place', null === $left->place ? null : $facts->name($left->place))
            ->add('about', null === $about ? $left->about : $about->source->clientAt->format('H:i').' '.(\is_string($about->source->verdict['words'] ?? null) ? $about->source->verdict['words'] : $about->source->kind))
            ->add('measure', $left->measure)
            ->add('told', $left->told)
            ->add('answer', $facts->say("answer.$left->answer"))
            ->add('answer-words', $left->words)
            ->add('come-back', $left->comeBack);

        return new RecordLine('unrepaired', $journal->words($entry), $facts->all());
    }

    private static function closed(Journal $journal, Entry $entry, Closed $closed, Facts $facts): RecordLine
    {
        $stored = $entry->source->verdict['stays'] ?? [];
        $words = [];
        foreach ($closed->stays as $at => $stay) {
            $said = \is_array($stored) && \is_array($stored[$at] ?? null) && \is_string($stored[$at]['words'] ?? null) ? $stored[$at]['words'] : (null === $facts->house() ? $stay->operation : (new \YellowProbe\Installation\StateChange($stay->operation, $stay->subject, $stay->value))->words($facts->house()));
            $words[] = $facts->say('record.stays', ['words' => $said, 'reason' => $stay->reason]);
        }
        $facts->add('told', $closed->text)
            ->flag('no-danger', $closed->noDanger)
            ->flag('covers-on', $closed->coversOn)
            ->list('stays', $words)
            ->list('removed', array_map(static fn (Removed $removed): string => $facts->say('record.removed', ['danger' => self::named($journal, $removed->danger), 'by' => self::named($journal, $removed->by)]), $closed->removed));

        return new RecordLine('closed', $facts->say('record.closed'), $facts->all());
    }

    /** An entry by its hour and what it says. */
    private static function named(Journal $journal, string $id): string
    {
        $entry = $journal->entry($id);
        if (null === $entry) {
            return $id;
        }
        $verdict = $entry->source->verdict;
        $words = $verdict['words'] ?? $verdict['where'] ?? $entry->source->kind;

        return $entry->source->clientAt->format('H:i').' '.(\is_string($words) ? $words : $entry->source->kind);
    }

    private static function plain(float $number): string
    {
        return rtrim(rtrim(\sprintf('%.2f', $number), '0'), '.');
    }
}
