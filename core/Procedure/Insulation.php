<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final class Insulation implements Procedure
{
    public function slug(): string
    {
        return 'insulation';
    }

    public function words(): string
    {
        return 'Insulation of a circuit';
    }

    public function hazard(): string
    {
        return 'Dead only. Nobody at the far end. Let the tester discharge the circuit before you touch it.';
    }

    public function cannotShow(): string
    {
        return 'Capacitive leakage, a borrowed neutral, anything beyond an open switch or a break.';
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $neutral = States::neutralsAtBoard($house, $circuit)[0] ?? null;
            $earth = States::earthAtBoard($house, $circuit);
            if (null === $neutral || null === $earth) {
                continue;
            }
            $line = States::lineAtBoard($house, $circuit);
            $state = States::boardOff($house, States::deviceOff($house, $circuit), ...States::neutralLifted($house, $circuit), ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
            foreach (['L–N' => [$line, $neutral], 'L–E' => [$line, $earth], 'N–E' => [$neutral, $earth]] as $pair => $leads) {
                $plans[] = new TestPlan("insulation:$circuit:$pair", $this, "Insulation $pair of {$house->circuits[$circuit]->name}, neutral lifted, loads out", new Measurement($state, Instruments::get('insulation-tester'), Connection::leads(...$leads)), 1.3);
            }
        }

        return $plans;
    }
}
