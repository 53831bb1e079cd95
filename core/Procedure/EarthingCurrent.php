<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;

final readonly class EarthingCurrent extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('earthing-current');
    }

    public function plans(House $house): array
    {
        $plans = [];
        $heater = States::testLoad($house);
        $loaded = null === $heater ? State::resting($house) : State::resting($house)->after($heater);
        foreach (EarthWires::to($house, 'service', 'electrode') as [$core]) {
            $earthing = Connection::around('+'.$core->element());
            $plans[] = $this->plan("$core->cable:on", 'Clamp around the earthing conductor, main on, 2 kW on', $loaded, 'leakage-clamp', $earthing);
            $plans[] = $this->plan("$core->cable:off", 'Clamp around the earthing conductor, main off', States::boardOff($house), 'leakage-clamp', $earthing);
        }
        foreach ($house->partsOfKind('service') as $service) {
            $tails = [];
            foreach (['L', 'L1', 'L2', 'N'] as $key) {
                foreach ($house->hasTerminal($service->terminal($key)) ? BoardEnds::landedOn($house, $service->terminal($key)) : [] as $joint) {
                    $tails[] = (str_ends_with($joint, '@1') ? '+' : '-').explode('@', $joint)[0];
                }
            }
            if ([] !== $tails) {
                $plans[] = $this->plan("$service->id:tails", 'Clamp around all tails together, 2 kW on', $loaded, 'leakage-clamp', Connection::around(...$tails));
            }
        }

        return $plans;
    }
}
