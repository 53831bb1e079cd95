<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;

final readonly class MetTrueEarth extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('met-true-earth');
    }

    public function plans(House $house): array
    {
        $earth = EarthWires::main($house);
        if (null === $earth) {
            return [];
        }
        $heater = States::testLoad($house);
        $plans = [$this->plan('resting', 'Volts from the main earthing terminal to a ground spike, house as it is', State::resting($house), 'voltmeter-low-z', Connection::leads($earth, HouseNetwork::GROUND))];
        if (null !== $heater) {
            $plans[] = $this->plan('loaded', 'Volts from the main earthing terminal to a ground spike, 2 kW on', State::resting($house)->after($heater), 'voltmeter-low-z', Connection::leads($earth, HouseNetwork::GROUND));
        }

        return $plans;
    }
}
