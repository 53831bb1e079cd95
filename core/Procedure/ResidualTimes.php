<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;

final readonly class ResidualTimes extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('rcd-times');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('residual-device', 'rcbo', 'residual-outlet') as $device) {
            $state = State::resting($house)->after(...States::loadsBehind($house, $device));
            $board = ResidualPoles::atBoard($house, $device);
            if (null === $board) {
                continue;
            }
            foreach (['half' => '½ ×', '1' => '1 ×', '5' => '5 ×'] as $setting => $words) {
                foreach (['' => '0°', '-180' => '180°'] as $half => $angle) {
                    $plans[] = $this->plan("$device->id:$setting$half", "$words, $angle, at the terminals of $device->name, loads out", $state, "rcd-$setting$half", $board, 0.8);
                }
            }
            $far = ResidualPoles::farthest($house, $device);
            if (null !== $far) {
                $plans[] = $this->plan("$device->id:1:far", "1 × of $device->name from {$far[0]->name}, loads out", $state, 'rcd-1', ResidualPoles::atOutlet($device, ...$far), 2.0);
            }
        }

        return $plans;
    }
}
