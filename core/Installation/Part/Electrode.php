<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** An earth electrode of the house, "ohms" to the mass of earth; one 1.2 m rod in 100 Ω·m has about 73 Ω. */
final class Electrode implements PartKind
{
    public function slug(): string
    {
        return 'electrode';
    }

    public function terminals(Part $part): array
    {
        return ['E' => [Role::Earth, Access::CoverOff]];
    }

    public function build(Part $part, PartContext $context): void
    {
        $context->network->resistor($part->element('ground'), $part->terminal('E'), HouseNetwork::GROUND, $part->attributes->positive('ohms', 73.0) * $context->factors->times('supply'));
    }
}
