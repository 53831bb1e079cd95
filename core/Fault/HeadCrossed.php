<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Line and PEN exchanged upstream of the link: every pair in the house reads right, and all metalwork stands at line. */
final readonly class HeadCrossed extends NamedFault
{
    public function __construct()
    {
        parent::__construct('head-crossed', 'Line and PEN crossed at the head', 'D');
    }

    public function sites(House $house): array
    {
        return ServiceSites::of($house, 'before the link of neutral and earth', 'TN-C-S');
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $service = $house->parts[$site->things[0]];
        [$line, $neutral] = [$service->element('line'), $service->element('neutral')];

        return new Change([$line, $neutral], [NewBranch::moved($line, null, $service->terminal('N')), NewBranch::moved($neutral, null, $service->terminal('L'))]);
    }
}
