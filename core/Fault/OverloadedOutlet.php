<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** An adaptor or a heater has worn the line and neutral contacts: the outlet runs hot. */
final readonly class OverloadedOutlet extends NamedFault
{
    public function __construct()
    {
        parent::__construct('overloaded-outlet', 'Overloaded, worn outlet', 'P', [0.1, 0.2, 0.4, 0.8, 1.5]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $sites[] = new FaultSite("$part->id.$outlet", [$part->element("$outlet-L"), $part->element("$outlet-N")], [$part->place], "at $part->name");
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change($site->things, array_map(static fn (string $contact): NewBranch => NewBranch::moreIn($contact, $ohms), $site->things));
    }
}
