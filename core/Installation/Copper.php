<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Resistance of copper conductors (IEC 60228, plain annealed copper at 20 °C, one conductor). */
final class Copper
{
    /** mm² => mΩ/m, fixed wiring and flexible cords */
    private const MILLIOHMS_PER_METRE = [
        '0.5' => 39.0, '0.75' => 26.0, '1' => 18.10, '1.5' => 12.10, '2.5' => 7.41, '4' => 4.61, '6' => 3.08, '10' => 1.83, '16' => 1.15, '25' => 0.727, '35' => 0.524,
        // AWG and old imperial sizes, by their metric equivalent
        '2.08' => 8.29, '3.31' => 5.21, '5.26' => 3.28, '8.37' => 2.06, '13.3' => 1.30,
        '0.98' => 17.6, '1.28' => 13.8, '1.97' => 8.9, '2.98' => 5.9, '4.6' => 3.8, '6.87' => 2.6,
    ];

    public static function ohmsPerMetre(float $mm2, string $path = ''): float
    {
        $milliohms = self::MILLIOHMS_PER_METRE[(string) $mm2] ?? null;
        if (null === $milliohms) {
            throw new HouseError($path, \sprintf('No conductor of %s mm² is known; the sizes are %s.', $mm2, implode(', ', array_keys(self::MILLIOHMS_PER_METRE))));
        }

        return $milliohms / 1000.0;
    }

    /** +0.4 % per kelvin from 20 °C. */
    public static function temperatureFactor(float $celsius): float
    {
        return 1.0 + 0.004 * ($celsius - 20.0);
    }
}
