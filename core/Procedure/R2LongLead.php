<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Instrument\Connection;

final readonly class R2LongLead extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('r2-long-lead');
    }

    public function plans(House $house): array
    {
        $earth = EarthWires::main($house);
        if (null === $earth) {
            return [];
        }
        $plans = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $plans[] = $this->plan("$part->id.$outlet", "Long lead from the earth bar to the earth contact of $part->name", States::boardOff($house), 'low-ohm', Connection::leads($part->terminal("$outlet-E"), $earth));
        }

        return $plans;
    }
}
