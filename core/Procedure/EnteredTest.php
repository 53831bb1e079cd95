<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

/** A test whose texts stand in {@see Entries}. */
abstract readonly class EnteredTest implements Procedure
{
    /** @var array{string, string, string, string, string, string, float, string} */
    private array $entry;

    public function __construct(private string $slug)
    {
        $this->entry = Entries::of($slug);
    }

    final public function slug(): string
    {
        return $this->slug;
    }

    final public function words(): string
    {
        return $this->entry[0];
    }

    final public function needs(): string
    {
        return $this->entry[1];
    }

    final public function expects(): string
    {
        return $this->entry[2];
    }

    final public function alarm(): string
    {
        return $this->entry[3];
    }

    final public function cannotShow(): string
    {
        return $this->entry[4];
    }

    final public function hazard(): string
    {
        return $this->entry[5];
    }

    final public function minutes(): float
    {
        return $this->entry[6];
    }

    final public function slower(): string
    {
        return $this->entry[7];
    }

    /**
     * @param string       $which  what tells this plan from the others of the test, after a colon in its id
     * @param list<string> $beyond parts and cables on the far side of where it parts a circuit
     */
    final protected function plan(string $which, string $words, State $state, string $instrument, Connection $connection, ?float $minutes = null, array $beyond = []): TestPlan
    {
        return new TestPlan("$this->slug:$which", $this, $words, new Measurement($state, Instruments::get($instrument), $connection), $minutes ?? $this->minutes(), $beyond);
    }
}
