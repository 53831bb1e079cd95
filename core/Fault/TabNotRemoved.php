<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** The halves of a split outlet stay joined on the line side: they switch together, or join two circuits. */
final readonly class TabNotRemoved extends NamedFault
{
    public function __construct()
    {
        parent::__construct('tab-not-removed', 'Line tab left in', 'I');
    }

    public function sites(House $house): array
    {
        return SplitOutletSites::of($house, 'lineTab', false);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $outlet = $house->parts[$site->things[0]];

        return new Change([], [NewBranch::contact($outlet->terminal('upper-L'), $outlet->terminal('lower-L'), 0.001)]);
    }
}
