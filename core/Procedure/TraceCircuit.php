<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class TraceCircuit extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('trace-circuit');
    }

    public function plans(House $house): array
    {
        $plans = [];
        $off = States::boardOff($house, ...array_map(static fn (string $each): StateChange => States::deviceOff($house, $each), States::circuits($house)));
        foreach (States::circuits($house) as $circuit) {
            foreach (Outlets::all($house) as [$part, $outlet]) {
                if ($house->circuitOfPart($part->id) === $circuit) {
                    $plans[] = $this->plan("$part->id.$outlet", "Tracer on the line of $part->name, receiver at the way of {$house->circuits[$circuit]->name}", $off, 'tracer', Connection::leads(BoardEnds::lineFeeding($house, $circuit, Outlets::behind($part, $outlet, 'L')), $part->terminal("$outlet-L"), HouseNetwork::GROUND));
                }
            }
        }

        return $plans;
    }
}
