<?php

declare(strict_types=1);

namespace App\Record;

use App\Call\AtRisk;
use App\Call\Journal;
use App\Call\TradeData;
use App\Observation\Contact;
use App\Observation\Entry;
use App\Observation\LeverTried;
use App\Observation\People;
use App\Observation\Seen;
use App\Observation\Settled;
use App\Observation\Told;
use App\Observation\Tried;

/** What was told, seen and asked, and what became of it. */
final readonly class StoryLines implements LinesOfKind
{
    public function __construct(private TradeData $trade)
    {
    }

    public function kinds(): array
    {
        return [Told::class, Seen::class, People::class, Settled::class, Tried::class, LeverTried::class];
    }

    public function line(Journal $journal, Entry $entry, Facts $facts): RecordLine
    {
        return match (true) {
            $entry->payload instanceof Told => $this->told($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Seen => $this->seen($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof People => self::people($entry->payload, $facts),
            $entry->payload instanceof Settled => self::settled($journal, $entry, $entry->payload, $facts),
            $entry->payload instanceof Tried => new RecordLine('repair', $facts->say("record.tried.{$entry->payload->outcome}")),
            $entry->payload instanceof LeverTried => self::lever($entry, $entry->payload, $facts),
            default => throw new \LogicException('Not of these kinds.'),
        };
    }

    private function told(Journal $journal, Entry $entry, Told $told, Facts $facts): RecordLine
    {
        $rates = $this->trade->rates();
        $facts->add('symptom', $rates->symptoms()[$told->symptom ?? ''] ?? $told->symptom)
            ->add('device', null === $told->device ? null : (isset($facts->house()?->parts[$told->device]) ? $facts->name($told->device) : $told->device))
            ->add('device-said', null !== $told->device && $told->deviceWords === ($facts->house()?->parts[$told->device] ?? null)?->name ? null : $told->deviceWords)
            ->list('places', array_map($facts->name(...), $told->places))
            ->list('running', array_map($facts->name(...), $told->running))
            ->add('onset', $rates->contexts()[$told->onset ?? ''] ?? $told->onset)
            ->add('resets', $rates->contexts()[$told->resets ?? ''] ?? $told->resets)
            ->add('context', $rates->contexts()[$told->context ?? ''] ?? $told->context)
            ->add('when', $told->when)
            ->add('since', $told->since)
            ->add('also', $told->also);

        return new RecordLine('told', $journal->words($entry), $facts->all());
    }

    private function seen(Journal $journal, Entry $entry, Seen $seen, Facts $facts): RecordLine
    {
        $look = null === $seen->look ? null : ($this->trade->looks()->all()[$seen->look] ?? null);
        $class = $seen->class ?? (\is_string($entry->source->verdict['class'] ?? null) ? $entry->source->verdict['class'] : null);
        $text = $journal->words($entry);
        $facts->add('place', null === $seen->place ? null : $facts->name($seen->place))
            ->add('class', null === $class ? null : ($this->trade->ruleSet($facts->rules())->classes()[$class] ?? $class))
            ->add('knowing', null === $seen->knowing ? null : $facts->say("knowing.$seen->knowing"))
            ->add('finding', null === $seen->finding ? null : ($this->trade->rates()->findings()[$seen->finding] ?? $seen->finding))
            ->add('text', null !== $seen->look ? $text : null)
            ->add('photo', $seen->photo?->file);

        return new RecordLine('seen', null === $seen->look ? $text : ($look->words ?? $seen->look), $facts->all());
    }

    private static function people(People $people, Facts $facts): RecordLine
    {
        $facts->list('occupants', array_map(static fn (string $slug): string => AtRisk::from($slug)->words(), $people->occupants))
            ->list('contacts', array_map(static fn (Contact $contact): string => $facts->say('record.contact', ['role' => $facts->say("contact.$contact->role"), 'name' => $contact->name, 'how' => $contact->how]), $people->contacts));

        return new RecordLine('told', $facts->say('record.people'), $facts->all());
    }

    private static function settled(Journal $journal, Entry $entry, Settled $settled, Facts $facts): RecordLine
    {
        $told = $journal->entry($settled->observation);
        $facts->add('about', $told?->payload instanceof Told ? $journal->words($told) : $settled->observation)->add('how-known', $journal->words($entry));

        return new RecordLine('told', $facts->say("record.settled.$settled->verdict"), $facts->all());
    }

    private static function lever(Entry $entry, LeverTried $tried, Facts $facts): RecordLine
    {
        $odd = $entry->source->verdict['odd'] ?? [];
        $facts->list('dead', $facts->names($tried->dead))
            ->list('live', $facts->names($tried->live))
            ->list('odd', $facts->names(\is_array($odd) ? array_values(array_filter($odd, is_string(...))) : []))
            ->add('text', $tried->text);

        return new RecordLine('done', $facts->say('record.lever', ['part' => $facts->name($tried->device)]), $facts->all());
    }
}
