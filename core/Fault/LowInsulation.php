<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** A nicked or aged cable: one pair ten times below its neighbours, too little to trip. */
final readonly class LowInsulation extends NamedFault
{
    public function __construct()
    {
        parent::__construct('low-insulation', 'Low insulation of a cable', 'P', [3e4, 1e5, 3e5, 1e6, 3e6]);
    }

    public function sites(House $house): array
    {
        return CablePairs::sites($house, static fn (): bool => true);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return CablePairs::contact($house, $site, $ohms);
    }
}
