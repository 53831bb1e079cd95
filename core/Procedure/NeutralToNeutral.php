<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final class NeutralToNeutral implements Procedure
{
    public function slug(): string
    {
        return 'neutral-to-neutral';
    }

    public function words(): string
    {
        return 'Neutral to neutral';
    }

    public function hazard(): string
    {
        return 'Clamp before you part a neutral; amps forbid it and 0 A does not free it. Whole board dead, locked, proved.';
    }

    public function cannotShow(): string
    {
        return 'A borrowed neutral: it reads over range here.';
    }

    public function plans(House $house): array
    {
        $plans = [];
        $circuits = States::circuits($house);
        foreach ($circuits as $at => $a) {
            foreach (\array_slice($circuits, $at + 1) as $b) {
                $from = States::neutralsAtBoard($house, $a)[0] ?? null;
                $to = States::neutralsAtBoard($house, $b)[0] ?? null;
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
