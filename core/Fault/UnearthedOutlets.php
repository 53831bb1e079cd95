<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** Accessories to which no cpc comes: where somebody may have made an earth out of the neutral. */
final class UnearthedOutlets
{
    public const LINK_OHMS = 0.002;

    /** @return list<FaultSite> */
    public static function sites(House $house): array
    {
        $sites = [];
        foreach ($house->partsOfKind(...Outlets::KINDS) as $part) {
            if ([] === $house->wiring->landedOn(Outlets::screw($part, 'E'))) {
                $sites[] = new FaultSite($part->id, [$part->id], [$part->place], "at $part->name");
            }
        }

        return $sites;
    }
}
