<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final readonly class NeutralToNeutral extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('neutral-to-neutral');
    }

    public function plans(House $house): array
    {
        $plans = [];
        $circuits = States::circuits($house);
        foreach ($circuits as $at => $a) {
            foreach (\array_slice($circuits, $at + 1) as $b) {
                $from = BoardEnds::neutralsAtBoard($house, $a)[0] ?? null;
                $to = BoardEnds::neutralsAtBoard($house, $b)[0] ?? null;
                if (null === $from || null === $to) {
                    continue;
                }
                $state = States::boardOff($house, ...States::neutralLifted($house, $a), ...States::neutralLifted($house, $b), ...States::loadsOut($house, $a, $b));
                $plans[] = new TestPlan("neutral-to-neutral:$a:$b", $this, "Neutral of {$house->circuits[$a]->name} to neutral of {$house->circuits[$b]->name}, both lifted", new Measurement($state, Instruments::get('low-ohm'), Connection::leads($from, $to)), 1.5);
            }
        }

        return $plans;
    }
}
