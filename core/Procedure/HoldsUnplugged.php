<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

/** The decision line of a trip: the device closed with all as it is, and with everything pulled out that is plugged in behind it. */
final readonly class HoldsUnplugged extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('holds-unplugged');
    }

    public function plans(House $house): array
    {
        $plans = [];
        $resting = State::resting($house);
        foreach ($house->circuits as $circuit) {
            $way = $house->parts[$circuit->way];
            $closed = Watched::device($way, $resting, false);
            $plugged = array_values(array_filter(States::pluggedIn($house), static fn (Part $appliance): bool => $circuit->id === $house->circuitOfPart($appliance->id)));
            if (null === $closed || [] === $plugged) {
                continue;
            }
            $plans[] = new TestPlan("holds-unplugged:$way->id:in", $this, "Close $way->name with all that is plugged in as it is", $closed, $this->minutes());
            $out = array_map(static fn (Part $appliance): StateChange => new StateChange('load', $appliance->id, 'out'), $plugged);
            $plans[] = $this->plan("$way->id:out", "Close $way->name with everything behind it unplugged", $resting->after(...$out), 'device-watch', $closed->connection);
        }

        return $plans;
    }
}
