<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Instrument\Measurement;

/** One test of the catalogue, ready to be done: tester, terminals and the state it needs. */
final readonly class TestPlan
{
    /**
     * @param string       $words   an instruction: "Loop from line to earth at Hall socket"
     * @param float        $minutes of the test itself, the state and covers aside
     * @param list<string> $beyond  parts and cables on the far side of where it parts a circuit
     */
    public function __construct(public string $id, public Procedure $procedure, public string $words, public Measurement $measurement, public float $minutes, public array $beyond = [])
    {
    }
}
