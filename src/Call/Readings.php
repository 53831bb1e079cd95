<?php

declare(strict_types=1);

namespace App\Call;

use App\Observation\Done;
use App\Observation\Doubted;
use App\Observation\Entry;
use App\Observation\IsolationStep;
use App\Observation\Leads;
use App\Observation\Measured;
use App\Observation\Placed;
use App\Observation\Repaired;
use App\Observation\Watched as Seeing;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\DeviceWatch;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\TwoPoleIndicator;
use YellowProbe\Procedure\Watched;

/** Every reading of a call: those taken by themselves, the figures of an isolation, and what devices did that were watched. */
final readonly class Readings
{
    public function __construct(private Journal $journal)
    {
    }

    /** @return list<TakenReading> in the order they were stored */
    public function taken(): array
    {
        $doubted = $placed = $verdicts = [];
        foreach ($this->journal->standing(Doubted::class) as [, $doubt]) {
            $doubted[$doubt->observation] = $doubt->reason;
        }
        foreach ($this->journal->standing(Placed::class) as [$entry, $place]) {
            $placed[$place->observation] = $place->connection;
            $verdicts[$place->observation][$this->journal->index($entry)] = $entry->source->verdict;
        }
        $repairs = array_map(fn (array $repair): int => $this->journal->index($repair[0]), $this->journal->standing(Repaired::class));
        $readings = [];
        foreach ($this->journal->entries as $entry) {
            if ($entry->payload instanceof IsolationStep && $entry->payload->isTaken()) {
                array_push($readings, ...$this->ofIsolation($entry, $entry->payload));
            }
            if ($entry->payload instanceof Done && null !== $entry->payload->watched) {
                array_push($readings, ...$this->ofClosing($entry, $entry->payload, $entry->payload->watched));
            }
            if (!$entry->payload instanceof Measured) {
                continue;
            }
            $measured = $entry->payload;
            $id = $entry->id();
            $at = $this->journal->index($entry);
            try {
                $instrument = Instruments::get($measured->instrument);
            } catch (\OutOfBoundsException) {
                continue; // a tester that an older version knew: shown as it is stored, weighed by nothing
            }
            $leads = $placed[$id] ?? $measured->connection;
            $own = array_values(array_filter($this->journal->corrections($entry), static fn (array $each): bool => null !== $each[1]->raw));
            foreach ($own as [$correction]) {
                $verdicts[$id][$this->journal->index($correction)] = $correction->source->verdict;
            }
            $later = $verdicts[$id] ?? [];
            ksort($later);
            $before = array_values(array_filter($repairs, static fn (int $repair): bool => $repair < $at));
            $readings[] = new TakenReading(
                $entry,
                $measured,
                $instrument,
                [] === $own ? $measured->raw : (string) $own[\count($own) - 1][1]->raw,
                Judged::of($entry->source->verdict, ...array_values($later)),
                null === $leads || null === $this->journal->house ? null : self::connected($leads->raw(), $instrument, $this->journal->house),
                $this->journal->withdrawnReason($entry),
                array_map(static fn (array $each): array => ['id' => $each[0]->id(), 'raw' => (string) $each[1]->raw, 'reason' => $each[1]->reason], $own),
                [] !== $before,
                [] === $before ? [] : $this->journal->repaired($before[\count($before) - 1] + 1),
                $doubted[$id] ?? null,
            );
        }

        return $readings;
    }

    /** @return list<TakenReading> what a device did that was watched as it was closed: it held, or it opened again */
    private function ofClosing(Entry $entry, Done $done, Seeing $watched): array
    {
        $readings = [];
        $state = $this->journal->fold()->before($this->journal->index($entry));
        foreach ($done->changes as $at => $act) {
            $state = $state->after($act->change());
            $device = $this->journal->house?->parts[$act->subject] ?? null;
            $measurement = null === $device || 'set' !== $act->operation || 'on' !== $act->value ? null : Watched::device($device, $state, false);
            if (null === $measurement || (!$watched->trips && !$watched->asExpected)) {
                continue;
            }
            $raw = $watched->trips ? DeviceWatch::TRIPS : DeviceWatch::HOLDS;
            $before = array_values(array_filter($this->journal->standing(Repaired::class), fn (array $repair): bool => $this->journal->index($repair[0]) < $this->journal->index($entry)));
            $readings[] = new TakenReading($entry, new Measured(DeviceWatch::closed()->slug(), $raw, new Leads([], $measurement->connection->around)), $measurement->instrument, $raw, Judged::of($entry->source->verdict), $measurement->connection, null, [], [] !== $before, [] === $before ? [] : $this->journal->repaired($this->journal->index($entry)), null, (string) $at, $state);
        }

        return $readings;
    }

    /** @return list<TakenReading> the figures of a live reference, and of a dead test that found a voltage, as the indicator lit */
    private function ofIsolation(Entry $entry, IsolationStep $step): array
    {
        $readings = [];
        $indicator = TwoPoleIndicator::plain();
        foreach ($step->tried as $at => $tried) {
            $terminals = explode('|', $tried->pair);
            if (null === $tried->raw || 2 !== \count($terminals) || null === $this->journal->house) {
                continue;
            }
            $lit = $indicator->lit(ReadingParser::parse($tried->raw, Instruments::get('voltmeter-high-z'))->value);
            $measured = new Measured($indicator->slug(), $tried->raw, new Leads($terminals));
            $readings[] = new TakenReading($entry, $measured, $indicator, $lit, Judged::of($entry->source->verdict), self::connected(['terminals' => $terminals, 'around' => []], $indicator, $this->journal->house), $this->journal->withdrawnReason($entry), [], false, [], null, (string) $at);
        }

        return $readings;
    }

    /**
     * Null where the house of today does not hold the point any more: what was read there stays, and is weighed by nothing.
     *
     * @param array{terminals: list<string>, around: list<string>} $raw
     */
    private static function connected(array $raw, Instrument $instrument, House $house): ?Connection
    {
        try {
            return Connection::read($raw, $instrument, $house);
        } catch (HouseError) {
            return null;
        }
    }
}
