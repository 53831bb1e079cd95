<?php

declare(strict_types=1);

namespace App\Call;

use App\Entity\Observation;
use App\Observation\Accepted;
use App\Observation\Closed;
use App\Observation\Corrected;
use App\Observation\Entry;
use App\Observation\IsolationStep;
use App\Observation\Measured;
use App\Observation\Payload;
use App\Observation\Repaired;
use App\Observation\Seen;
use App\Observation\Settled;
use App\Observation\Told;
use App\Observation\Tried;
use App\Observation\Unrepaired;
use App\Observation\Withdrawn;
use App\Observation\Worded;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Access;
use YellowProbe\Procedure\Opened;

/** What the entries of a call add up to: the state of the house, the proofs, the readings and everything else as it stands. */
final class Journal
{
    public const VERDICTS = ['cured', 'explained', 'not-found', 'passed-on'];

    /** Minutes without an entry after which a proof of dead lapses, where a firm has not said otherwise. */
    public const PROOF_MINUTES = 30;

    /** The visit for which nobody has to have complained. */
    private const INSPECTION = 'inspection';

    /** @var list<Entry> in the order they were stored */
    public readonly array $entries;

    /** @var array<string, int> id => place among the entries */
    private array $indexes = [];

    /** @var array<string, string> id => why it does not stand */
    private array $withdrawn = [];

    /** @var array<string, list<array{Entry, Corrected}>> id => corrections, the latest last */
    private array $corrected = [];

    private ?Fold $fold = null;
    private ?Isolations $isolations = null;

    /** @var list<TakenReading>|null */
    private ?array $readings = null;

    /**
     * @param list<Observation|Entry>     $observations in the order they were stored
     * @param (\Closure(int): House)|null $version      the house as it was in a version
     * @param \DateTimeImmutable|null     $now          null where nothing depends on the hour
     */
    public function __construct(array $observations, public readonly ?House $house, private readonly ?\Closure $version = null, public readonly ?\DateTimeImmutable $now = null, public readonly int $proofMinutes = self::PROOF_MINUTES)
    {
        $this->entries = array_map(static fn (Observation|Entry $each): Entry => $each instanceof Entry ? $each : Entry::of($each), $observations);
        foreach ($this->entries as $at => $entry) {
            $this->indexes[$entry->id()] = $at;
            if ($entry->payload instanceof Withdrawn) {
                $this->withdrawn[$entry->payload->observation] = $entry->payload->reason;
            } elseif ($entry->payload instanceof Corrected) {
                $this->corrected[$entry->payload->observation][] = [$entry, $entry->payload];
            }
        }
    }

    /** The same journal with one entry more. */
    public function with(Entry $entry): self
    {
        return new self([...$this->entries, $entry], $this->house, $this->version, $this->now, $this->proofMinutes);
    }

    /**
     * Every entry of a kind that could be read, withdrawn or not.
     *
     * @template T of Payload
     *
     * @param class-string<T> $kind
     *
     * @return list<array{Entry, T}>
     */
    public function all(string $kind): array
    {
        $found = [];
        foreach ($this->entries as $entry) {
            if ($entry->payload instanceof $kind) {
                $found[] = [$entry, $entry->payload];
            }
        }

        return $found;
    }

    /**
     * Those that nobody has withdrawn.
     *
     * @template T of Payload
     *
     * @param class-string<T> $kind
     *
     * @return list<array{Entry, T}>
     */
    public function standing(string $kind): array
    {
        return array_values(array_filter($this->all($kind), fn (array $each): bool => !isset($this->withdrawn[$each[0]->id()])));
    }

    /**
     * The last that stands.
     *
     * @template T of Payload
     *
     * @param class-string<T> $kind
     *
     * @return array{Entry, T}|null
     */
    public function last(string $kind): ?array
    {
        $all = $this->standing($kind);

        return [] === $all ? null : $all[\count($all) - 1];
    }

    public function entry(string $id): ?Entry
    {
        return isset($this->indexes[$id]) ? $this->entries[$this->indexes[$id]] : null;
    }

    /** Its place among the entries. */
    public function index(Entry $entry): int
    {
        return $this->indexes[$entry->id()] ?? throw new \LogicException('This entry is of another call.');
    }

    /** Why an entry does not stand; null when it does. */
    public function withdrawnReason(Entry $entry): ?string
    {
        return $this->withdrawn[$entry->id()] ?? null;
    }

    /** @return list<array{Entry, Corrected}> the latest last */
    public function corrections(Entry $entry): array
    {
        return $this->corrected[$entry->id()] ?? [];
    }

    /** The words of an entry as last corrected; empty when it has none. */
    public function words(Entry $entry): string
    {
        $corrections = $this->corrections($entry);

        return ([] === $corrections ? null : $corrections[\count($corrections) - 1][1]->text) ?? ($entry->payload instanceof Worded ? $entry->payload->words() : '');
    }

    /** What an entry said before it was corrected: its words, or the figure of a reading; null when nobody has. */
    public function original(Entry $entry): ?string
    {
        return match (true) {
            [] === $this->corrections($entry) => null,
            $entry->payload instanceof Worded => $entry->payload->words(),
            $entry->payload instanceof Measured => $entry->payload->raw,
            default => null,
        };
    }

    /** The house that an entry names things in: the version it was made in. */
    public function houseOf(Entry $entry): ?House
    {
        $version = $entry->source->houseVersion;

        return null === $this->house || null === $version || null === $this->version ? $this->house : ($this->version)($version);
    }

    /** Position of the last entry; 0 when there is none. */
    public function position(): int
    {
        return [] === $this->entries ? 0 : $this->entries[\count($this->entries) - 1]->position();
    }

    /** @return array<string, list<Entry>> what is named of the house (a part, a place, a joint, a terminal, an element) => entries that name it */
    public function names(): array
    {
        $names = [];
        foreach ($this->entries as $entry) {
            foreach (null === $entry->payload ? [] : Named::in($entry->payload) as $name) {
                $names[$name][] = $entry;
            }
        }

        return $names;
    }

    public function fold(): Fold
    {
        return $this->fold ??= new Fold($this->entries, $this->house);
    }

    /** The state of the house as everything that was done adds up. */
    public function state(): State
    {
        return $this->fold()->state();
    }

    /** @return list<StateChange> what an entry changed in the house */
    public function changes(int $at): array
    {
        return $this->fold()->changes($at);
    }

    public function isolations(): Isolations
    {
        return $this->isolations ??= new Isolations($this);
    }

    /** A reading of its own, by the id of its entry. */
    public function reading(string $id): ?TakenReading
    {
        foreach ($this->readings() as $reading) {
            if ($reading->id() === $id) {
                return $reading;
            }
        }

        return null;
    }

    /** @return list<TakenReading> */
    public function readings(): array
    {
        return $this->readings ??= (new Readings($this))->taken();
    }

    /**
     * What has been repaired, as the ranking names repairs: the cause last accepted before each.
     *
     * @param int|null $before place among the entries; all of them when left out
     *
     * @return list<string>
     */
    public function repaired(?int $before = null): array
    {
        $repaired = $accepted = [];
        foreach (\array_slice($this->entries, 0, $before) as $entry) {
            if (isset($this->withdrawn[$entry->id()])) {
                continue;
            }
            if ($entry->payload instanceof Accepted) {
                $accepted = Hypothesis::repairsOf($entry->payload->hypothesis);
            } elseif ($entry->payload instanceof Repaired) {
                array_push($repaired, ...$accepted);
            }
        }

        return array_values(array_unique($repaired));
    }

    /** @return list<array{Entry, string, list<string>}> each time that the complaint was tried again: the outcome, and what had been repaired by then */
    public function trials(): array
    {
        return array_map(fn (array $trial): array => [$trial[0], $trial[1]->outcome, $this->repaired($this->index($trial[0]))], $this->standing(Tried::class));
    }

    /** What was told, as far as it was picked from the lists. */
    public function story(): Story
    {
        $symptoms = $contexts = $findings = $tripped = $where = $running = [];
        foreach ($this->standing(Told::class) as [, $told]) {
            $symptoms[] = $told->symptom;
            array_push($contexts, $told->context, $told->resets, $told->onset);
            array_push($where, ...array_filter($told->places, fn (string $place): bool => isset($this->house->places[$place])));
            array_push($running, ...array_filter($told->running, fn (string $part): bool => isset($this->house->parts[$part])));
            $tripped[] = isset($this->house->parts[$told->device ?? '']) ? $told->device : null;
        }
        foreach ($this->standing(Seen::class) as [$entry, $seen]) {
            // What a look found was looked up in the list when it was stored.
            $finding = $seen->finding ?? $entry->source->verdict['finding'] ?? '';
            if (\is_string($finding) && '' !== $finding) {
                $findings[] = [$finding, $seen->place ?? ''];
            }
        }
        [$symptoms, $contexts, $tripped] = array_map(static fn (array $each): array => array_values(array_filter($each, is_string(...))), [$symptoms, $contexts, $tripped]);
        // Who orders an inspection complains of nothing until he does.
        $isInspection = [] === $symptoms && self::INSPECTION === ($this->entries[0] ?? null)?->source->call->visit;

        return new Story($isInspection ? [Story::INSPECTION] : $symptoms, $contexts, $findings, $tripped, $where, $running);
    }

    /** @return list<Entry> symptoms that were told and have no verdict yet */
    public function unsettled(): array
    {
        $settled = array_map(static fn (array $each): string => $each[1]->observation, $this->standing(Settled::class));

        return array_values(array_map(static fn (array $each): Entry => $each[0], array_filter($this->standing(Told::class), static fn (array $each): bool => null !== $each[1]->symptom && !\in_array($each[0]->id(), $settled, true))));
    }

    /** What is open now: what the last thing measured was measured in. */
    public function opened(): Opened
    {
        $readings = $this->readings();
        $last = [] === $readings ? null : $readings[\count($readings) - 1];
        if (null === $last?->connection || null === $this->house) {
            return Opened::none();
        }

        return Opened::of(...Access::reached($this->house, new Measurement($last->state(), $last->instrument, $last->connection)));
    }

    public function isClosed(): bool
    {
        return null !== $this->last(Closed::class);
    }

    /** The stage that the call has come to. */
    public function stage(): string
    {
        return match (true) {
            $this->isClosed() => 'closed',
            $this->isRepairProved(), null !== $this->last(Unrepaired::class) => 'hand-over',
            null !== $this->last(Accepted::class) => 'put-right',
            null !== $this->last(Measured::class) => 'trace',
            null !== $this->last(IsolationStep::class) => 'make-safe',
            default => 'hear',
        };
    }

    /** Whether a reading after the last repair repeated the failed test. */
    public function isRepairProved(): bool
    {
        $repair = $this->last(Repaired::class);
        if (null === $repair) {
            return false;
        }

        return [] !== array_filter($this->readings(), fn (TakenReading $reading): bool => null === $reading->withdrawn && $reading->judged->proves && $this->index($reading->entry) > $this->index($repair[0]));
    }
}
