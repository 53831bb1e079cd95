<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;

/** A tester put somewhere on a house in a state: everything that decides what it should show, and nothing that was read. */
final readonly class Measurement
{
    public function __construct(public State $state, public Instrument $instrument, public Connection $connection)
    {
    }

    public function hash(): string
    {
        return hash('xxh128', $this->state->hash().$this->instrument->slug().json_encode($this->connection->toArray(), \JSON_THROW_ON_ERROR));
    }

    /** @return list<string> as in {@see Connection::probed()} */
    public function probed(House $house): array
    {
        return $this->connection->probed($house, $this->state, $this->instrument);
    }

    /** @return list<string> the circuits whose conductors the tester is on */
    public function circuits(House $house): array
    {
        $circuits = [];
        foreach ($this->connection->terminals as $terminal) {
            if (HouseNetwork::GROUND === $terminal) {
                continue;
            }
            $joint = $house->joint($terminal);
            $circuits[] = null !== $joint ? $house->cables[$joint[0]->cable]->circuit : $house->circuitOfPart($house->partOf($terminal)->id);
        }
        foreach ($this->connection->around as $signed) {
            $circuits[] = ($house->cables[explode('/', substr($signed, 1))[0]] ?? null)?->circuit;
        }
        $circuits = array_unique(array_filter($circuits, is_string(...)));
        sort($circuits);

        return $circuits;
    }
}
