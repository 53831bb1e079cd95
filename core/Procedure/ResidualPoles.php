<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Instrument\Connection;

/** How a residual tester is put to a device: leads on its line and an earth, its poles to watch. */
final class ResidualPoles
{
    /** At the device itself, against the main earthing terminal. */
    public static function atBoard(House $house, Part $device): ?Connection
    {
        $earth = EarthWires::main($house);

        return null === $earth ? null : Connection::acting([$device->terminal('residual-outlet' === $device->kind ? 'load-L' : 'Lout'), $earth], ["+$device->id/L", "+$device->id/N"]);
    }

    /** At the contacts of an outlet behind it: the path to the point is proved too. */
    public static function atOutlet(Part $device, Part $point, string $outlet): Connection
    {
        return Connection::acting([$point->terminal("$outlet-L"), $point->terminal("$outlet-E")], ["+$device->id/L", "+$device->id/N"]);
    }

    /** @return array{Part, string}|null the last outlet that a device protects */
    public static function farthest(House $house, Part $device): ?array
    {
        $found = null;
        foreach (Outlets::all($house) as [$point, $outlet]) {
            $circuit = $house->circuitOfPart($point->id);
            if (null !== $circuit && \YellowProbe\Installation\Protection::residualDevice($house, $circuit)?->id === $device->id) {
                $found = [$point, $outlet];
            }
        }

        return $found;
    }
}
