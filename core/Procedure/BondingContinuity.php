<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class BondingContinuity extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('bonding-continuity');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (EarthWires::to($house, 'metalwork') as [$core, $joint, $terminal]) {
            $state = States::boardOff($house, new StateChange('lift', $joint));
            $plans[] = $this->plan($core->cable, "Bonding conductor to {$house->partOf($terminal)->name}, lifted at the earth bar, end to end", $state, 'low-ohm', Connection::leads($joint, $terminal));
        }

        return $plans;
    }
}
