<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** At the head, the electrode or the main earthing terminal: no earth fault loop anywhere, test buttons work, residual tests do not. */
final readonly class EarthingConductorOpen extends NamedFault
{
    public function __construct()
    {
        parent::__construct('earthing-conductor-open', 'Earthing conductor open');
    }

    public function sites(House $house): array
    {
        $sites = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach (null === $cable->circuit ? $cable->cores : [] as $core) {
                foreach (Role::Earth === $core->role ? $core->ends : [] as $terminal) {
                    if (null !== $terminal && \in_array($house->partOf($terminal)->kind, ['service', 'electrode'], true)) {
                        $sites[] = new FaultSite($cable->id, [$core->element(), $core->joint(1)], [$house->partOf($terminal)->place], 'at '.$house->partOf($terminal)->name);
                    }
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [], $site->things[1]);
    }
}
