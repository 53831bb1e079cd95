<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class PolarityDead extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('polarity-dead');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('light') as $light) {
            $circuit = $house->circuitOfPart($light->id);
            $earth = null === $circuit ? null : BoardEnds::earthAtBoard($house, $circuit);
            if (null === $circuit || null === $earth || [] === States::lightOn($light)) {
                continue;
            }
            $linked = States::boardOff($house, States::deviceOff($house, $circuit), new StateChange('link', BoardEnds::lineFeeding($house, $circuit, $light->terminal('SL')), $earth), ...States::loadsOut($house, $circuit));
            $on = $linked->after(...States::lightOn($light));
            foreach (['on' => $on, 'off' => $on->after(States::lightOff($light))] as $position => $state) {
                $plans[] = $this->plan("$light->id:$position", "Switched line of $light->name to cpc, its switch $position, linked at the board", $state, 'low-ohm', Connection::leads($light->terminal('lamp-L'), $light->terminal('E')));
            }
        }

        return $plans;
    }
}
