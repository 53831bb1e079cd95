<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

final readonly class ResidualIsolated extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('rcd-isolated');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('residual-device', 'rcbo') as $device) {
            $board = ResidualPoles::atBoard($house, $device);
            $joints = [...BoardEnds::landedOn($house, $device->terminal('Lout')), ...BoardEnds::landedOn($house, $device->terminal('Nout'))];
            if (null !== $board && [] !== $joints) {
                $parted = array_map(static fn (string $joint): StateChange => new StateChange('lift', $joint), $joints);
                $plans[] = $this->plan($device->id, "Ramp at $device->name with everything parted from its outgoing terminals", State::resting($house)->after(...$parted), 'rcd-ramp', $board);
            }
        }

        return $plans;
    }
}
