<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Single-phase TN-S and TT: the house is dead, and every neutral stands at line through the loads. */
final readonly class SupplyNeutralOpen extends NamedFault
{
    public function __construct()
    {
        parent::__construct('supply-neutral-open', 'Supply neutral open', 'D');
    }

    public function sites(House $house): array
    {
        return ServiceSites::of($house, 'upstream of the house', 'TN-S', 'TT');
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$house->parts[$site->things[0]]->element('neutral')]);
    }
}
