<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Ratings;

/** Two undelayed residual devices in one path: either or both trip. Nothing is changed; what opens is a matter of chance. */
final readonly class RcdInSeries extends NamedFault
{
    public function __construct()
    {
        parent::__construct('rcd-in-series', 'Two undelayed residual devices in series', 'I');
    }

    public function nature(): FaultNature
    {
        return FaultNature::Device;
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            $undelayed = array_values(array_filter(Protection::residualDevices($house, $circuit), static fn ($device): bool => !Ratings::isDelayed($device)));
            if (\count($undelayed) > 1) {
                $sites[] = new FaultSite($circuit, array_map(static fn ($device): string => $device->id, $undelayed), [$undelayed[0]->place], 'before '.$house->circuits[$circuit]->name);
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return Change::device($site->things[0], new DeviceBehaviour());
    }
}
