<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/** A reading that stands, for holding against others: where it is from, and its number where it has one. */
final readonly class Taken
{
    public ?float $value;

    public function __construct(public string $id, public string $where, public Measurement $measurement, Reading $reading)
    {
        $this->value = ShownKind::Value === $reading->kind ? $reading->value : null;
    }

    public function by(string ...$testers): bool
    {
        return \in_array($this->measurement->instrument->slug(), $testers, true);
    }

    /** Roles of the terminals that its leads are on, in the order of the alphabet, such as "E L". */
    public function poles(House $house): string
    {
        $roles = [];
        foreach ($this->measurement->connection->terminals as $terminal) {
            $roles[] = $house->hasTerminal($terminal) ? $house->terminals[$terminal]->role->value : '';
        }
        sort($roles);

        return implode(' ', $roles);
    }

    /** The points that its leads are on, supply and boards left out. */
    public function point(House $house): ?string
    {
        foreach ($this->measurement->connection->terminals as $terminal) {
            $part = $house->hasTerminal($terminal) ? $house->partOf($terminal) : null;
            if (null !== $part && 'point' === $house->places[$part->place]->kind) {
                return $part->id;
            }
        }

        return null;
    }
}
