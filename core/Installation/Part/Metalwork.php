<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * Metal that is no conductor of the installation: a pipe, a steel frame. "groundOhms" to the mass of earth when it
 * goes into the ground; a bonding conductor that lands on it makes it a parallel earth path.
 */
final class Metalwork implements PartKind
{
    public function slug(): string
    {
        return 'metalwork';
    }

    public function terminals(Part $part): array
    {
        return ['E' => [Role::Earth, Access::Front]];
    }

    public function build(Part $part, PartContext $context): void
    {
        if ($part->attributes->has('groundOhms')) {
            $context->network->resistor($part->element('ground'), $part->terminal('E'), HouseNetwork::GROUND, $part->attributes->positive('groundOhms'));
        }
    }
}
