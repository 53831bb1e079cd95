<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/** Appliances with a plug: what is wrong with one goes when it is pulled out. */
final class Plugged
{
    /** @return list<Part> */
    public static function of(House $house): array
    {
        return array_values(array_filter($house->partsOfKind('appliance'), static fn (Part $part): bool => '' !== $part->attributes->string('pluggedInto', '')));
    }

    /** @return list<FaultSite> between two terminals of each of them */
    public static function sites(House $house, string $one, string $other): array
    {
        return array_map(static fn (Part $part): FaultSite => new FaultSite($part->id, [$part->terminal($one), $part->terminal($other)], [$part->place], "in $part->name", appliance: $part->id), self::of($house));
    }
}
