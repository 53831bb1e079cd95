<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Split outlets whose tab is, by the survey, in one state. */
final class SplitOutletSites
{
    /** @return list<FaultSite> */
    public static function of(House $house, string $tab, bool $there): array
    {
        $sites = [];
        foreach ($house->partsOfKind('split-outlet') as $outlet) {
            if ($there === $outlet->attributes->flag($tab, 'neutralTab' === $tab)) {
                $sites[] = new FaultSite($outlet->id, [$outlet->id], [$outlet->place], "at $outlet->name");
            }
        }

        return $sites;
    }
}
