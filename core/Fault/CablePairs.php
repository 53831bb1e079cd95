<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Cable;
use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** Pairs of conductors of a cable that can touch or leak: lines with neutral, and both with earth. */
final class CablePairs
{
    /**
     * @param callable(Cable): bool $wanted
     *
     * @return list<FaultSite> with the joints of the cable's far end as things
     */
    public static function sites(House $house, callable $wanted): array
    {
        $sites = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            if (null === $cable->circuit || !$wanted($cable)) {
                continue;
            }
            $cores = array_values(array_filter($cable->cores, static fn (Core $core): bool => null !== $core->ends[1]));
            foreach ($cores as $at => $one) {
                foreach (\array_slice($cores, $at + 1) as $other) {
                    $far = (string) $one->ends[1];
                    if ($far !== $other->ends[1]) {
                        $part = $house->partOf($far);
                        $sites[] = new FaultSite("$cable->id:$one->key-$other->key", [$one->joint(2), $other->joint(2)], [$part->place], self::words($one->role).'–'.self::words($other->role)." of the cable to $part->name");
                    }
                }
            }
        }

        return $sites;
    }

    public static function contact(House $house, FaultSite $site, float $ohms): Change
    {
        [$a, $b] = $site->things;

        return new Change([], [NewBranch::betweenCores([$a, $b], [Relanding::terminal($house, $a), Relanding::terminal($house, $b)], $ohms)]);
    }

    private static function words(Role $role): string
    {
        return \YellowProbe\Installation\Labels::role($role);
    }
}
