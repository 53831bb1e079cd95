<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Appliance;

/** Heating elements: appliances with an "element". */
final class Elements
{
    /** @return list<Part> */
    public static function of(House $house): array
    {
        return array_values(array_filter($house->partsOfKind('appliance'), static fn (Part $part): bool => $part->attributes->flag('element', false) && $part->attributes->number('watts', 0.0) > 0.0));
    }

    public static function middle(Part $heater): string
    {
        return $heater->terminal(Appliance::MIDDLE);
    }
}
