<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Copper;

/** A conductor picked for a sum: its sizes in words, and Ω/m of copper at a temperature. */
final class Conductor
{
    private const MM2 = ['1', '1.5', '2.5', '4', '6', '10', '16', '25'];
    private const AWG = ['14', '12', '10', '8', '6'];

    /** @return non-empty-array<string, string> the usual first */
    public static function sizes(string $usual = '2.5'): array
    {
        $sizes = [];
        foreach ([$usual, ...self::MM2] as $size) {
            $sizes["mm2:$size"] = "$size mm²";
        }
        foreach (self::AWG as $size) {
            $sizes["awg:$size"] = "$size AWG";
        }

        return $sizes;
    }

    /** Ω/m at a temperature in °C. */
    public static function ohmsPerMetre(string $choice, float $celsius = 20.0): float
    {
        [$system, $size] = explode(':', $choice);

        return Copper::ohmsPerMetre(new Attributes([$system => (float) $size], '')) * Copper::temperatureFactor($celsius);
    }
}
