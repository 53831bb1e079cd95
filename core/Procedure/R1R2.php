<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class R1R2 extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('r1-r2');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $earth = BoardEnds::earthAtBoard($house, $circuit);
            if (null === $earth) {
                continue;
            }
            $done = $linked = [];
            foreach (TestPoint::all($house) as $point) {
                // The outlets of one accessory hang on the same screws: one of them is enough.
                if (!isset($done[$point->part->id]) && isset($point->contacts['L'], $point->contacts['E']) && $house->circuitOfPart($point->part->id) === $circuit) {
                    $done[$point->part->id] = true;
                    $line = BoardEnds::lineFeeding($house, $circuit, $point->contacts['L']);
                    $state = $linked[$line] ??= States::boardOff($house, States::deviceOff($house, $circuit), new StateChange('link', $line, $earth), ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
                    $plans[] = $this->plan($point->part->id, "R1+R2 at {$point->words()}; line and cpc of {$house->circuits[$circuit]->name} linked at the board", $state, 'low-ohm', Connection::leads($point->contacts['L'], $point->contacts['E']));
                }
            }
        }

        return $plans;
    }
}
