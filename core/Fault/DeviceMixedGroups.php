<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** The neutral bars of two residual devices are fed from each other: any load of either group trips. */
final readonly class DeviceMixedGroups extends NamedFault
{
    public function __construct()
    {
        parent::__construct('device-mixed-groups', 'Line to one group, neutral to another');
    }

    public function sites(House $house): array
    {
        $sites = [];
        $devices = $house->partsOfKind('residual-device');
        foreach ($devices as $at => $a) {
            foreach (\array_slice($devices, $at + 1) as $b) {
                if ($a->place === $b->place) {
                    $sites[] = new FaultSite("$a->id~$b->id", [$a->terminal('Nout'), $b->terminal('Nout')], [$a->place], "at $a->name and $b->name");
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return NeutralsExchanged::between($house, $site->things[0], $site->things[1]);
    }
}
