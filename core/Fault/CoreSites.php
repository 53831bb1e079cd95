<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Labels;
use YellowProbe\Installation\Role;

/** The joints of a house as sites: every landed end of every core of a circuit's cables. */
final class CoreSites
{
    /** @return list<FaultSite> with the core's element and the joint as things */
    public static function of(House $house, Role ...$roles): array
    {
        $sites = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach ($cable->cores as $core) {
                if (null !== $cable->circuit && \in_array($core->role, $roles, true)) {
                    array_push($sites, ...self::ends($house, $core, $cable->circuit));
                }
            }
        }

        return $sites;
    }

    /** @return list<FaultSite> */
    private static function ends(House $house, Core $core, string $circuit): array
    {
        $sites = [];
        foreach ([1, 2] as $end) {
            $terminal = $core->ends[$end - 1];
            if (null !== $terminal) {
                $joint = $core->joint($end);
                $sites[] = new FaultSite($joint, [$core->element(), $joint], [$house->partOf($terminal)->place], 'in '.Labels::joint($house, $joint), role: $core->role, circuit: $circuit);
            }
        }

        return $sites;
    }
}
