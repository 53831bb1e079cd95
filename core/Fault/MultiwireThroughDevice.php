<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** One leg and the shared neutral of a multiwire branch pass a residual device: it trips by the whole current of the other leg. */
final readonly class MultiwireThroughDevice extends NamedFault
{
    public function __construct()
    {
        parent::__construct('multiwire-through-device', 'Shared neutral through a one-pole device');
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Multiwire::all($house) as $circuit => ['line' => $line, 'neutral' => $neutral]) {
            foreach ($house->partsOfKind('rcbo') as $device) {
                $sites[] = new FaultSite("$circuit~$device->id", [$device->id, $line->joint(1), $neutral->joint(1)], [$device->place], "of {$house->circuits[$circuit]->name}, through $device->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $device = $house->parts[$site->things[0]];

        return Relanding::of($house, $site->things[1], $device->terminal('Lout'))->and(Relanding::of($house, $site->things[2], $device->terminal('Nout')));
    }
}
