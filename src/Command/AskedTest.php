<?php

declare(strict_types=1);

namespace App\Command;

use YellowProbe\Fault\Change;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;

/** What a command line asked for: a tester on a house in a state, with faults. */
final readonly class AskedTest
{
    /** @param list<string> $faults as written */
    public function __construct(public House $house, public Measurement $measurement, public Change $change, public array $faults)
    {
    }
}
