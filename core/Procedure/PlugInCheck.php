<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Socket;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final class PlugInCheck implements Procedure
{
    public function slug(): string
    {
        return 'plug-in-check';
    }

    public function words(): string
    {
        return 'Plug-in check';
    }

    public function hazard(): string
    {
        return '';
    }

    public function cannotShow(): string
    {
        return 'Screening only: neutral and earth exchanged, an earth of tens of kΩ, or a neutral linked to earth look right.';
    }

    public function plans(House $house): array
    {
        $plans = [];
        $tester = Instruments::get('plug-in-tester');
        foreach ($house->partsOfKind('socket') as $socket) {
            foreach (Socket::outlets($socket) as $outlet) {
                $connection = Connection::leads($socket->terminal("$outlet-L"), $socket->terminal("$outlet-N"), $socket->terminal("$outlet-E"));
                $plans[] = new TestPlan("plug-in-check:$socket->id.$outlet", $this, "Plug-in tester in $socket->name", new Measurement(State::resting($house), $tester, $connection), 0.5);
            }
        }

        return $plans;
    }
}
