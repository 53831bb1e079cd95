<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class PlugByPlug extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('plug-by-plug');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::pluggedIn($house) as $appliance) {
            $circuit = $house->circuitOfPart($appliance->id);
            $device = null === $circuit ? null : Protection::residualDevice($house, $circuit);
            if (null !== $device) {
                $plans[] = $this->plan($appliance->id, "Clamp at $device->name with $appliance->name unplugged", State::resting($house)->after(new StateChange('load', $appliance->id, 'out')), 'leakage-clamp', Connection::around("+$device->id/L", "+$device->id/N"));
            }
        }

        return $plans;
    }
}
