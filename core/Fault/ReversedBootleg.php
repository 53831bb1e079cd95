<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** Line and neutral exchanged at an outlet whose earth is linked to its neutral screw: right by lamps, metalwork live. */
final readonly class ReversedBootleg extends ContactsExchanged
{
    public function __construct()
    {
        parent::__construct('reversed-bootleg', 'Reversed, with an earth taken from the neutral', 'L', 'N', 'D');
    }

    public function sites(House $house): array
    {
        return UnearthedOutlets::sites($house);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $part = $house->parts[$site->things[0]];

        // The link is at the contact meant for neutral, and that one is fed with line.
        return parent::change($house, $site, $ohms)->and(new Change([], [NewBranch::contact(Outlets::screw($part, 'L'), Outlets::screw($part, 'E'), UnearthedOutlets::LINK_OHMS)]));
    }
}
