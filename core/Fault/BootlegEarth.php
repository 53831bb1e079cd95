<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** Neutral linked to earth at an outlet without cpc: every pair reads right, and a residual test there never trips. */
final readonly class BootlegEarth extends NamedFault
{
    public function __construct()
    {
        parent::__construct('bootleg-earth', 'Earth taken from the neutral');
    }

    public function sites(House $house): array
    {
        return UnearthedOutlets::sites($house);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $part = $house->parts[$site->things[0]];

        return new Change([], [NewBranch::contact(Outlets::screw($part, 'N'), Outlets::screw($part, 'E'), UnearthedOutlets::LINK_OHMS)]);
    }
}
