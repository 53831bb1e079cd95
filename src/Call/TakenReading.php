<?php

declare(strict_types=1);

namespace App\Call;

use App\Entity\Observation;
use App\Observation\Entry;
use App\Observation\Measured;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\Measurement;

/** A reading as it stands now: after corrections, withdrawal and late placing. */
final readonly class TakenReading
{
    /** The reading as first stored; what was made of it then is not what holds now. */
    private Observation $source;

    /**
     * @param string          $raw        as typed, or as corrected
     * @param Judged          $judged     what was made of that figure, there
     * @param Connection|null $connection null while its point is not in the house
     * @param string|null     $withdrawn  the reason
     * @param list<array{id: string, raw: string, reason: string}> $corrections beside the original
     * @param bool            $proof      whether it comes after a repair
     * @param list<string>    $repaired   before it, as the ranking names repairs
     * @param string|null     $doubted    why somebody does not quite believe it
     * @param string          $part       which figure of an entry that holds several; empty for a reading of its own
     * @param State|null      $state      that it was read in, where it is not the one its entry found
     */
    public function __construct(public Entry $entry, public Measured $measured, public Instrument $instrument, public string $raw, public Judged $judged, public ?Connection $connection, public ?string $withdrawn, public array $corrections, public bool $proof, public array $repaired = [], public ?string $doubted = null, private string $part = '', private ?State $state = null)
    {
        $this->source = $entry->source;
    }

    public function id(): string
    {
        return '' === $this->part ? $this->entry->id() : $this->entry->id().'#'.$this->part;
    }

    /** Where it stands among the entries of its call. */
    public function position(): int
    {
        return $this->source->position;
    }

    public function takenAt(): \DateTimeImmutable
    {
        return $this->source->clientAt;
    }

    public function takenBy(): string
    {
        return $this->source->author->name;
    }

    /** Whether its entry found the house as that of another did. */
    public function isInStateOf(self $other): bool
    {
        return $this->source->state === $other->source->state;
    }

    /** Whether it is part of an entry of another kind: a pair of a live reference or a dead test, a device watched as it was closed. */
    public function isOfAct(): bool
    {
        return '' !== $this->part;
    }

    /** The same for readings of one test, whatever the state of the house; null while its point is not in the house. */
    public function test(): ?string
    {
        return null === $this->connection ? null : $this->instrument->slug().' '.serialize($this->connection->toArray());
    }

    /** The state of the house that it was read in. */
    public function state(): State
    {
        return $this->state ?? State::fromArray($this->source->state);
    }

    /** Everything that decides what it should have shown; null while its point is not in the house. */
    public function measurement(): ?Measurement
    {
        return null === $this->connection ? null : new Measurement($this->state(), $this->instrument, $this->connection);
    }
}
