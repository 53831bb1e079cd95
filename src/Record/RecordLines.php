<?php

declare(strict_types=1);

namespace App\Record;

use App\Call\Journal;
use App\Observation\Entry;
use App\Words\Say;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

/** The line of the record that an entry makes: every kind has one, and it holds every field that is stored. */
final readonly class RecordLines
{
    /** @param iterable<LinesOfKind> $lines */
    public function __construct(#[AutowireIterator(LinesOfKind::class)] private iterable $lines, private Say $say)
    {
    }

    public function of(Journal $journal, Entry $entry): RecordLine
    {
        $facts = new Facts($this->say, $journal->houseOf($entry));
        if (null === $entry->payload) {
            return new RecordLine('beside', $facts->say('record.unreadable', ['kind' => $entry->source->kind]), [[$facts->say('fact.reason'), (string) $entry->unreadable]]);
        }
        $beside = $entry->source->verdict['secondPerson'] ?? null;
        $facts->add('second-person', \is_string($beside) ? $beside : null);
        foreach ($this->lines as $lines) {
            if (\in_array($entry->payload::class, $lines->kinds(), true)) {
                return $lines->line($journal, $entry, $facts);
            }
        }
        throw new \LogicException(\sprintf('The record does not know the kind "%s".', $entry->source->kind));
    }
}
