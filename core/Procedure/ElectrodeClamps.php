<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;

final readonly class ElectrodeClamps extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('electrode-clamps');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (EarthWires::to($house, 'electrode', 'metalwork') as [$core, , $terminal]) {
            $plans[] = $this->plan($core->cable, "Two clamps around the earthing conductor to {$house->partOf($terminal)->name}", State::resting($house), 'earth-clamps', Connection::around('+'.$core->element()));
        }

        return $plans;
    }
}
