<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** A service pipe or the structure is not bonded: volts between metal parts. */
final readonly class BondingMissing extends NamedFault
{
    public function __construct()
    {
        parent::__construct('bonding-missing', 'Bonding missing');
    }

    public function sites(House $house): array
    {
        $sites = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach (null === $cable->circuit ? $cable->cores : [] as $core) {
                foreach (Role::Earth === $core->role ? $core->ends : [] as $terminal) {
                    if (null !== $terminal && 'metalwork' === $house->partOf($terminal)->kind) {
                        $sites[] = new FaultSite($cable->id, [$core->element()], [$house->partOf($terminal)->place], 'to '.$house->partOf($terminal)->name);
                    }
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]]);
    }
}
