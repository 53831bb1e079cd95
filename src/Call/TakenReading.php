<?php

declare(strict_types=1);

namespace App\Call;

use App\Entity\Observation;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instrument;

/** A measured observation as it stands now: after corrections, withdrawal and late placing. */
final readonly class TakenReading
{
    /**
     * @param Observation      $source     the reading as first stored
     * @param string           $raw        as typed, or as corrected
     * @param Connection|null  $connection null while its point is not in the house yet
     * @param string|null      $withdrawn  the reason
     * @param string|null      $doubted    why somebody does not quite believe it
     * @param list<array{id: string, raw: string, reason: string}> $corrections beside the original
     * @param list<string>     $repaired   before it, as the ranking names repairs
     * @param bool             $proof      whether it comes after a repair
     */
    public function __construct(public Observation $source, public Instrument $instrument, public string $raw, public ?Connection $connection, public ?string $withdrawn, public array $corrections, public bool $proof, public array $repaired = [], public ?string $doubted = null)
    {
    }

    /** The same for readings of one test, whatever the state of the house; null while its point is not in the house yet. */
    public function test(): ?string
    {
        return null === $this->connection ? null : $this->instrument->slug().' '.serialize($this->connection->toArray());
    }
}
