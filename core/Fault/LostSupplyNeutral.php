<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** The neutral of a split supply is broken: the volts of the legs divide as the loads on them. */
final readonly class LostSupplyNeutral extends NamedFault
{
    public function __construct()
    {
        parent::__construct('lost-supply-neutral', 'Lost supply neutral', 'D', [3.0, 10.0, 30.0, 100.0, 300.0, 1e3, 1e6]);
    }

    public function sites(House $house): array
    {
        return ServiceSites::of($house, 'upstream of the panel', 'split');
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $neutral = $house->parts[$site->things[0]]->element('neutral');

        return new Change([$neutral], [NewBranch::moreIn($neutral, $ohms)]);
    }
}
