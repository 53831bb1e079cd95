<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
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
            $plans[] = $this->plan("$part->id.$outlet", "Thermal look at $part->name after a quarter of an hour with 2 kW on", States::outletOn($house, $part, $outlet)->after(States::heaterIn($part, $outlet)), 'thermal-camera', Connection::around('+'.$part->element("$outlet-L"), '+'.$part->element("$outlet-N"), ...self::screws($house, $part, $outlet)));
        }

        return $plans;
    }

    /** @return list<string> the joints behind the plate that its current passes, each counted from its conductor to the screw */
    private static function screws(House $house, Part $part, string $outlet): array
    {
        $joints = [];
        foreach (['L', 'N'] as $pole) {
            foreach (BoardEnds::landedOn($house, Outlets::behind($part, $outlet, $pole)) as $joint) {
                $joints[] = "+$joint";
            }
        }

        return $joints;
    }
}
