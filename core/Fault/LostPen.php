<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** The joined conductor of a TN-C-S supply is broken, here or in the street: all earthed metal rises with the load, and no pair of conductors shows it. */
final readonly class LostPen extends NamedFault
{
    public function __construct()
    {
        parent::__construct('lost-pen', 'Lost PEN', 'D', [3.0, 10.0, 30.0, 100.0, 300.0, 1e3, 1e6]);
    }

    /** What the neighbours beyond the same break draw, Ω. */
    private const NEIGHBOURS_OHMS = 15.0;

    public function sites(House $house): array
    {
        $sites = [];
        foreach (ServiceSites::of($house, 'at this house', 'TN-C-S') as $site) {
            array_push($sites, $site, new FaultSite("$site->id:street", [...$site->things, 'street'], $site->places, 'in the street, with neighbours beyond it', 0.5));
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $service = $house->parts[$site->things[0]];
        $with = [NewBranch::moreIn($service->element('neutral'), $ohms)];
        if (isset($site->things[1])) {
            $with[] = NewBranch::likewise($service->element('line'), $service->element('star'), $service->terminal('N'), self::NEIGHBOURS_OHMS);
        }

        return new Change([$service->element('neutral')], $with);
    }
}
