<?php

declare(strict_types=1);

namespace App\Record;

use App\Api\View\JudgementView;
use App\Call\Journal;
use App\Call\Judged;
use App\Observation\Act;
use App\Observation\Corrected;
use App\Observation\Done;
use App\Observation\Doubted;
use App\Observation\Entry;
use App\Observation\Leads;
use App\Observation\Measured;
use App\Observation\Placed;
use App\Observation\Withdrawn;
use App\Words\Say;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\TestName;
use YellowProbe\Procedure\TwoStates;

/** Readings, and what was said beside them and beside other entries. */
final readonly class ReadingLines implements LinesOfKind
{
    public function __construct(private Say $say)
    {
    }

    public function kinds(): array
    {
        return [Measured::class, Placed::class, Corrected::class, Withdrawn::class, Doubted::class];
    }

    public function line(Journal $journal, Entry $entry, Facts $facts): RecordLine
    {
        return match (true) {
            $entry->payload instanceof Measured => $this->measured($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Placed => new RecordLine('beside', $facts->say('record.placed', ['entry' => $this->short($journal, $entry->payload->observation, $facts), 'where' => $this->where($entry, $journal->entry($entry->payload->observation)?->payload, $entry->payload->connection, $facts)]), self::judged($entry, $facts)->all()),
            $entry->payload instanceof Corrected => new RecordLine('beside', $facts->say('record.corrected', ['entry' => $this->short($journal, $entry->payload->observation, $facts), 'to' => $entry->payload->raw ?? $entry->payload->text ?? '']), self::judged($entry, $facts->add('reason', $entry->payload->reason))->all()),
            $entry->payload instanceof Withdrawn => new RecordLine('beside', $facts->say('record.withdrawn', ['entry' => $this->short($journal, $entry->payload->observation, $facts)]), [[$facts->say('fact.reason'), $entry->payload->reason]]),
            $entry->payload instanceof Doubted => new RecordLine('beside', $facts->say('record.doubted', ['entry' => $this->short($journal, $entry->payload->observation, $facts)]), [[$facts->say('fact.reason'), $entry->payload->reason]]),
            default => throw new \LogicException('Not of these kinds.'),
        };
    }

    private function measured(Journal $journal, Entry $entry, Measured $measured, Facts $facts): RecordLine
    {
        $house = $facts->house();
        $facts->add('read', $measured->raw)
            ->add('near', $measured->near);
        self::judged($entry, $facts)
            ->list('forced', array_map(static fn (string $slug): string => $facts->say("forced.$slug"), $measured->forced))
            ->list('state', null === $house ? [] : array_map(static fn (StateChange $change): string => $change->words($house), State::resting($house)->changesTo(State::fromArray($entry->source->state))))
            ->list('cautions', Judged::of($entry->source->verdict)->cautions)
            ->add('test', $this->test($measured, $facts))
            ->add('set-up-after', null === $measured->setUpAt ? null : $this->short($journal, $measured->setUpAt, $facts));

        return new RecordLine('readings', null === $measured->connection ? self::setting($measured, $facts) : $this->where($entry, $measured, $measured->connection, $facts), $facts->all());
    }

    /** What was made of a figure: as it was first read with the reading, and as it was corrected or placed beside it. */
    private static function judged(Entry $entry, Facts $facts): Facts
    {
        $judged = Judged::of($entry->source->verdict);

        return $facts->add('expected', $judged->expected)
            ->add('fit', null === $judged->fit ? null : $facts->say("fit.{$judged->fit->value}"))
            ->list('limits', array_map(static fn (JudgementView $judgement): string => "$judgement->limit: $judgement->sentence", $judged->judgements));
    }

    /** The tester and its setting; as it was sent when an older version knew it and this one does not. */
    private static function setting(Measured $measured, Facts $facts): string
    {
        return isset(Instruments::all()[$measured->instrument]) ? $facts->say("setting.$measured->instrument", ['rated' => '']) : $measured->instrument;
    }

    /** The test of the catalogue that was set up, as the trade calls it. */
    private function test(Measured $measured, Facts $facts): ?string
    {
        if (null === $measured->test || null === $facts->house()) {
            return $measured->test;
        }
        try {
            return TwoStates::plan($facts->house(), $measured->test)->procedure->words();
        } catch (\OutOfBoundsException) {
            return $measured->test;
        }
    }

    private function where(Entry $entry, mixed $measured, Leads $leads, Facts $facts): string
    {
        $house = $facts->house();
        if (!$measured instanceof Measured) {
            return $facts->say('record.gone');
        }
        if (null === $house) {
            return $facts->say('record.nowhere', ['setting' => self::setting($measured, $facts)]);
        }
        try {
            $instrument = Instruments::get($measured->instrument);
            $connection = Connection::read($leads->raw(), $instrument, $house);
        } catch (HouseError|\OutOfBoundsException) {
            return $facts->say('record.nowhere', ['setting' => self::setting($measured, $facts)]);
        }

        return $this->say->of(TestName::of($house, new Measurement(State::fromArray($entry->source->state), $instrument, $connection)), $facts->rules());
    }

    /** An entry that another one is about: its hour, and what it first said. */
    private function short(Journal $journal, string $id, Facts $facts): string
    {
        $entry = $journal->entry($id);
        if (null === $entry) {
            return $facts->say('record.gone');
        }
        $payload = $entry->payload;
        $words = match (true) {
            $payload instanceof Measured => $payload->raw.', '.(null === $payload->connection ? (string) $payload->near : $this->where($entry, $payload, $payload->connection, $facts)),
            $payload instanceof Done && null !== $facts->house() => implode(', ', array_map(static fn (Act $act): string => $act->change()->words($facts->house()), $payload->changes)),
            \is_string($entry->source->verdict['words'] ?? null) => $entry->source->verdict['words'],
            default => \is_string($entry->source->payload['text'] ?? null) ? $entry->source->payload['text'] : $facts->say("kind.{$entry->source->kind}"),
        };

        return $entry->source->clientAt->format('H:i').' '.$words;
    }
}
