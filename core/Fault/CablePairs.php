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
     * @return list<FaultSite> with the terminals of the cable's far end as things
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
                    $things = [(string) $one->ends[1], (string) $other->ends[1]];
                    if ($things[0] !== $things[1]) {
                        $place = $house->partOf($things[0])->place;
                        $sites[] = new FaultSite("$cable->id:$one->key-$other->key", $things, [$place], self::words($one->role).'–'.self::words($other->role)." of the cable to {$house->partOf($things[0])->name}");
                    }
                }
            }
        }

        return $sites;
    }

    public static function contact(FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }

    private static function words(Role $role): string
    {
        return \YellowProbe\Installation\Labels::role($role);
    }
}
