<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part\Outlets;

/** A pipe, the structure or an armour lies beside the cpc: loop and R2 read lower than the cable. */
final readonly class ParallelEarth extends NamedFault
{
    public function __construct()
    {
        parent::__construct('parallel-earth', 'Parallel earth path', 'I', [0.05, 0.15, 0.5, 2.0, 6.0, 20.0]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Outlets::points($house) as $part) {
            if ('appliance' === $part->kind) {
                $sites[] = new FaultSite($part->id, [$part->terminal('E'), HouseNetwork::GROUND], [$part->place], "at $part->name, into the ground");
                foreach ($house->partsOfKind('metalwork') as $metal) {
                    $sites[] = new FaultSite("$part->id~$metal->id", [$part->terminal('E'), $metal->terminal('E')], [$part->place, $metal->place], "at $part->name, over $metal->name");
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }
}
