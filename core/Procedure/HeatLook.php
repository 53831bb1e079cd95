<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Instrument\Connection;

final readonly class HeatLook extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('heat-look');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $plans[] = $this->plan("$part->id.$outlet", "Thermal look at $part->name after a quarter of an hour with 2 kW on", States::outletOn($house, $part, $outlet)->after(States::heaterIn($part, $outlet)), 'thermal-camera', Connection::around('+'.$part->element("$outlet-L"), '+'.$part->element("$outlet-N")));
        }

        return $plans;
    }
}
