<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;

final readonly class ResidualRamp extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('rcd-ramp');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('residual-device', 'rcbo', 'residual-outlet') as $device) {
            $board = ResidualPoles::atBoard($house, $device);
            if (null !== $board) {
                $plans[] = $this->plan("$device->id:out", "Ramp at $device->name, loads out", State::resting($house)->after(...States::loadsBehind($house, $device)), 'rcd-ramp', $board);
                $plans[] = $this->plan("$device->id:in", "Ramp at $device->name, house as it is", State::resting($house), 'rcd-ramp', $board);
            }
        }

        return $plans;
    }
}
