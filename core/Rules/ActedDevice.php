<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Instrument\Measurement;

/** The device that a residual tester made act. */
final class ActedDevice
{
    public static function of(House $house, Measurement $measurement): ?Part
    {
        return $house->parts[explode('/', substr($measurement->connection->around[0] ?? '', 1))[0]] ?? null;
    }
}
