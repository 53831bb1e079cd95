<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

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
            $poles = ['breaker' => ['L'], 'rcbo' => ['L', 'N']][$way->kind] ?? [];
            $plugged = array_values(array_filter(States::pluggedIn($house), static fn (Part $appliance): bool => $circuit->id === $house->circuitOfPart($appliance->id)));
            if ([] === $poles || [] === $plugged) {
                continue;
            }
            $around = Connection::around(...array_map(static fn (string $pole): string => "+$way->id/$pole", $poles));
            $plans[] = $this->plan("$way->id:in", "Close $way->name with all that is plugged in as it is", $resting, 'device-watch', $around);
            $out = array_map(static fn (Part $appliance): StateChange => new StateChange('load', $appliance->id, 'out'), $plugged);
            $plans[] = $this->plan("$way->id:out", "Close $way->name with everything behind it unplugged", $resting->after(...$out), 'device-watch', $around);
        }

        return $plans;
    }
}
