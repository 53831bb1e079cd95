<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** A conductor crushed at a switch plate or a fixing, often after other work. */
final readonly class PinchedLead extends NamedFault
{
    public function __construct()
    {
        parent::__construct('pinched-lead', 'Lead pinched under a plate', 'P', [0.03, 0.3, 3.0, 30.0, 300.0, 1e3, 3e3, 1e4, 3e4, 1e5, 3e5, 1e6]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach ($house->partsOfKind('switch') as $switch) {
            foreach (['COM' => 'line', 'L1' => 'switched line'] as $key => $words) {
                $sites[] = new FaultSite("$switch->id.$key", [$switch->terminal($key), $switch->terminal('E')], [$switch->place], "$words to earth at $switch->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }
}
