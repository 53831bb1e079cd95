<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\BesideView;
use App\Api\View\FactView;
use App\Api\View\RecordLineView;
use App\Observation\Corrected;
use App\Observation\Doubted;
use App\Observation\Entry;
use App\Observation\Seen;
use App\Observation\Withdrawn;
use App\Observation\Worded;
use App\Record\RecordLines;

/** The record of a call as the page prints it: a line for every entry, with what was said beside it. */
final readonly class RecordViews
{
    /** From so many seconds between the clock of a device and the server's both are shown. */
    private const APART_SECONDS = 300;

    public function __construct(private RecordLines $lines)
    {
    }

    /** @return list<RecordLineView> */
    public function of(Journal $journal): array
    {
        $beside = [];
        foreach ($journal->entries as $entry) {
            $payload = $entry->payload;
            if ($payload instanceof Corrected || $payload instanceof Withdrawn || $payload instanceof Doubted) {
                $beside[$payload->observation][] = new BesideView($entry->source->kind, CallViews::time($entry->source->clientAt), $entry->source->author->name, $payload instanceof Corrected ? $payload->raw ?? $payload->text ?? '' : '', $payload->reason);
            }
        }

        return array_map(fn (Entry $entry): RecordLineView => $this->line($journal, $entry, $beside[$entry->id()] ?? []), $journal->entries);
    }

    /** @param list<BesideView> $beside */
    private function line(Journal $journal, Entry $entry, array $beside): RecordLineView
    {
        $line = $this->lines->of($journal, $entry);
        $source = $entry->source;
        $isApart = abs($source->storedAt->getTimestamp() - $source->clientAt->getTimestamp()) > self::APART_SECONDS;

        return new RecordLineView(
            $entry->id(),
            $entry->position(),
            $source->kind,
            $line->section,
            CallViews::time($source->clientAt),
            $isApart ? CallViews::time($source->storedAt) : null,
            $source->author->name,
            $line->words,
            array_map(static fn (array $fact): FactView => new FactView(...$fact), $line->facts),
            $beside,
            $journal->withdrawnReason($entry),
            $entry->payload instanceof Seen && null !== $entry->payload->photo,
            $journal->original($entry),
            $entry->payload instanceof Worded,
            null !== $entry->payload && \in_array($entry->payload::class, Verdicts::WITHDRAWN, true) && null === $journal->withdrawnReason($entry),
        );
    }
}
