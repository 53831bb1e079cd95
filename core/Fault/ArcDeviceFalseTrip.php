<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** An arc-fault device that takes a motor, a drive or a shared neutral for an arc: it trips with that load, without heat or leak. */
final readonly class ArcDeviceFalseTrip extends NamedFault
{
    public function __construct()
    {
        parent::__construct('arc-device-false-trip', 'Arc-fault device trips falsely', 'I');
    }

    public function nature(): FaultNature
    {
        return FaultNature::Device;
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach ($house->partsOfKind('breaker', 'rcbo') as $device) {
            if ($device->attributes->flag('arcFault', false)) {
                $sites[] = new FaultSite($device->id, [$device->id], [$device->place], "at $device->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return Change::device($site->things[0], new DeviceBehaviour());
    }
}
