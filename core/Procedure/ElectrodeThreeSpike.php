<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class ElectrodeThreeSpike extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('electrode-3-spike');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (EarthWires::to($house, 'electrode') as [$core, $joint, $terminal]) {
            $electrode = $house->partOf($terminal);
            $plans[] = $this->plan($electrode->id, "Three spikes at $electrode->name, disconnected", States::boardOff($house, new StateChange('lift', $joint)), 'electrode-tester', Connection::leads($terminal, HouseNetwork::GROUND));
        }

        return $plans;
    }
}
