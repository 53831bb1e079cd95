<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
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
        foreach (TestPoint::all($house) as $point) {
            if (isset($point->contacts['E'])) {
                $plans[] = $this->plan($point->id, "Long lead from the earth bar to the earth contact of {$point->words()}", States::boardOff($house), 'low-ohm', Connection::leads($point->contacts['E'], $earth));
            }
        }

        return $plans;
    }
}
