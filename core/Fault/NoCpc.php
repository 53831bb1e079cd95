<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\Shunts;

/** A circuit that the survey takes to have a cpc has none. */
final readonly class NoCpc extends NamedFault
{
    public function __construct()
    {
        parent::__construct('no-cpc', 'Wired without a cpc', 'I');
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            if ([] !== BoardEnds::joints($house, $circuit, 'E')) {
                $sites[] = new FaultSite($circuit, [$circuit], [], "all along {$house->circuits[$circuit]->name}");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $without = [];
        foreach ($house->cables as $cable) {
            foreach ($cable->circuit === $site->things[0] ? $cable->cores : [] as $core) {
                if (Role::Earth === $core->role) {
                    $without[] = $core->element();
                    foreach ([1, 2] as $end) {
                        array_push($without, ...array_column(Shunts::of($cable, $core, $end), 0));
                    }
                }
            }
        }

        return new Change($without);
    }
}
