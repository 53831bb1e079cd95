<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** A split outlet with one neutral and no tab on that side: one half has no return. */
final readonly class TabNeutralRemoved extends NamedFault
{
    public function __construct()
    {
        parent::__construct('tab-neutral-removed', 'Neutral tab taken out', 'I');
    }

    public function sites(House $house): array
    {
        return SplitOutletSites::of($house, 'neutralTab', true);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$house->parts[$site->things[0]]->element('tab-N')]);
    }
}
