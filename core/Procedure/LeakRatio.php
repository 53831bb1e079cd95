<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

/** The place of a leak by a loop of two cores of a radial: x = R / ρ, with R the resistance up to it. */
final readonly class LeakRatio extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('loop-ratio');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $ends = CapacitanceEnds::ends($house, $circuit);
            $earth = BoardEnds::earthAtBoard($house, $circuit);
            if (null === $ends || null === $earth) {
                continue;
            }
            [$joints, $part] = $ends;
            $state = States::boardOff($house, States::deviceOff($house, $circuit), new StateChange('lift', $joints['L']), new StateChange('lift', $joints['N']), new StateChange('link', Outlets::screw($part, 'L'), Outlets::screw($part, 'N')), ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
            foreach (['L' => 'N', 'N' => 'L'] as $leaking => $sound) {
                $plans[] = $this->plan("$circuit:$leaking", "Resistance of the {$leaking} core of {$house->circuits[$circuit]->name} up to its leak to earth, L and N joined at $part->name", $state, 'leak-locator', Connection::leads($joints[$leaking], $joints[$sound], $earth));
            }
        }

        return $plans;
    }
}
