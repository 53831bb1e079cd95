<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Measurement;

/** One test of the catalogue, ready to be done: tester, terminals and the state it needs. */
final readonly class TestPlan
{
    /** In the id, before and between the devices that are left off. */
    public const WITHOUT = ' without ';
    public const AND = ' and ';

    /**
     * @param string       $words   an instruction: "Loop from line to earth at Hall socket"
     * @param float        $minutes of the test itself, the state and covers aside
     * @param list<string> $beyond  parts and cables on the far side of where it parts a circuit
     */
    public function __construct(public string $id, public Procedure $procedure, public string $words, public Measurement $measurement, public float $minutes, public array $beyond = [])
    {
    }

    /** The same test while devices stay off that it does not need. */
    public function leavingOff(House $house, string ...$devices): self
    {
        $measurement = $this->measurement;
        $off = array_map(static fn (string $device): StateChange => new StateChange('set', $device, 'off'), array_values($devices));
        $names = implode(' and ', array_map(static fn (string $device): string => $house->parts[$device]->name, $devices));

        return new self($this->id.self::WITHOUT.implode(self::AND, $devices), $this->procedure, "$this->words, $names left off", new Measurement($measurement->state->after(...$off), $measurement->instrument, $measurement->connection), $this->minutes, $this->beyond);
    }
}
