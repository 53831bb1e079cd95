<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final readonly class Insulation extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('insulation');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $neutral = BoardEnds::neutralsAtBoard($house, $circuit)[0] ?? null;
            $earth = BoardEnds::earthAtBoard($house, $circuit);
            if (null === $neutral || null === $earth) {
                continue;
            }
            $state = States::boardOff($house, States::deviceOff($house, $circuit), ...States::neutralLifted($house, $circuit), ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
            foreach (BoardEnds::pairsAtBoard($house, $circuit, $neutral, $earth) as $pair => $leads) {
                $plans[] = new TestPlan("insulation:$circuit:$pair", $this, "Insulation $pair of {$house->circuits[$circuit]->name}, neutral lifted, loads out", new Measurement($state, Instruments::get('insulation-tester'), Connection::leads(...$leads)), 1.3);
            }
        }

        return $plans;
    }
}
