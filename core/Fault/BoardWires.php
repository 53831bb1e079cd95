<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/** The wires, busbar prongs and links inside a board, as sites by the device or bar they land on. */
final class BoardWires
{
    /**
     * @param callable(Part, string): ?string $words what to say of a landing on a terminal (part, key), null for none of interest
     *
     * @return list<FaultSite> with the wire's element and the joint as things
     */
    public static function sites(House $house, callable $words): array
    {
        $sites = [];
        $cables = $house->cables;
        ksort($cables);
        foreach ($cables as $cable) {
            foreach (null === $cable->circuit ? $cable->cores : [] as $core) {
                foreach ([1, 2] as $end) {
                    $terminal = $core->ends[$end - 1];
                    $part = null === $terminal ? null : $house->partOf($terminal);
                    $said = null === $part ? null : $words($part, $house->terminals[(string) $terminal]->key);
                    if (null !== $part && null !== $said) {
                        $sites[] = new FaultSite($core->joint($end), [$core->element(), $core->joint($end)], [$part->place], $said);
                    }
                }
            }
        }

        return $sites;
    }
}
