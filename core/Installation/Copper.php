<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/**
 * Resistance of copper conductors, mΩ/m at 20 °C, one conductor (IEC 60228, plain annealed copper; ASTM B258 for gauges;
 * the old imperial sizes by strands and inches).
 */
final class Copper
{
    private const BY_MM2 = ['0.5' => 39.0, '0.75' => 26.0, '1' => 18.10, '1.5' => 12.10, '2.5' => 7.41, '4' => 4.61, '6' => 3.08, '10' => 1.83, '16' => 1.15, '25' => 0.727, '35' => 0.524,
        // gauges and imperial sizes written by their metric equivalent
        '2.08' => 8.29, '3.31' => 5.21, '5.26' => 3.28, '8.37' => 2.06, '13.3' => 1.30, '0.98' => 17.6, '1.28' => 13.8, '1.97' => 8.9, '2.98' => 5.9, '4.6' => 3.8, '6.87' => 2.6];
    private const BY_AWG = ['14' => 8.29, '12' => 5.21, '10' => 3.28, '8' => 2.06, '6' => 1.30];
    private const BY_STRANDS = ['1/.044' => 17.6, '3/.029' => 13.8, '3/.036' => 8.9, '7/.029' => 5.9, '7/.036' => 3.8, '7/.044' => 2.6];

    /**
     * Resistance per metre of the size that a cable gives for one of its conductors: "mm2", "awg" or "imperial".
     *
     * @param bool $protective whether it is the protective conductor, which may have a size of its own ("cpcMm2" …)
     */
    public static function ohmsPerMetre(Attributes $cable, bool $protective = false): float
    {
        $sizes = ['mm2' => [self::BY_MM2, 'mm²'], 'awg' => [self::BY_AWG, 'AWG'], 'imperial' => [self::BY_STRANDS, 'strands per inch']];
        foreach ($protective ? ['cpcMm2' => 'mm2', 'cpcAwg' => 'awg', 'cpcImperial' => 'imperial', 'mm2' => 'mm2', 'awg' => 'awg', 'imperial' => 'imperial'] : ['mm2' => 'mm2', 'awg' => 'awg', 'imperial' => 'imperial'] as $key => $system) {
            if (!$cable->has($key)) {
                continue;
            }
            [$table, $words] = $sizes[$system];
            $size = 'imperial' === $system ? $cable->string($key) : (string) $cable->number($key);

            return ($table[$size] ?? throw new HouseError("$cable->path/$key", \sprintf('No conductor of %s %s is known; the sizes are %s.', $size, $words, implode(', ', array_keys($table))))) / 1000.0;
        }
        throw new HouseError("$cable->path/mm2", 'The size of the conductors is missing: give "mm2", "awg" or "imperial".');
    }

    /** +0.4 % per kelvin from 20 °C. */
    public static function temperatureFactor(float $celsius): float
    {
        return 1.0 + 0.004 * ($celsius - 20.0);
    }
}
