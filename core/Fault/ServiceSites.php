<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** The supply head as a site, for the systems a fault can be in. */
final class ServiceSites
{
    /** @return list<FaultSite> with the part as thing */
    public static function of(House $house, string $words, string ...$systems): array
    {
        $sites = [];
        foreach ($house->partsOfKind('service') as $service) {
            if (\in_array($service->attributes->string('system'), $systems, true)) {
                $sites[] = new FaultSite($service->id, [$service->id], [$service->place], $words);
            }
        }

        return $sites;
    }
}
