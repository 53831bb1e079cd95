<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Protection;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;

/** Which of the house's factors a reading is followed by; what the others do to a cause is left to {@see Probe}. */
final class Dependence
{
    /**
     * What each tester's reading depends on beside the lengths of the circuits it is on and of those in line with them; all where a tester is not named.
     * What moves the sound house by nothing can still move a fault: line on earth hangs on the supply.
     */
    private const FACTORS = [
        'voltmeter-high-z' => ['volts', 'outside', 'supply', 'load', 'leakage'],
        'voltmeter-low-z' => ['volts', 'outside', 'supply', 'load', 'leakage'],
        'low-ohm' => ['supply'],
        'insulation-tester' => ['insulation', 'leakage'],
        'insulation-tester-250' => ['insulation', 'leakage'],
        'insulation-tester-1000' => ['insulation', 'leakage'],
        'loop-2-wire' => ['supply', 'load'],
        'loop-3-wire' => ['supply', 'load'],
        'leakage-clamp' => ['leakage', 'load', 'supply', 'outside', 'volts'],
        'capacitance-meter' => ['leakage'],
        'leak-locator' => [],
        'electrode-tester' => ['supply'],
        'earth-clamps' => ['supply', 'load', 'leakage'],
    ];

    /** Testers that at the board read what all the cables beyond it leak and hold together, or where their loads lift the earth to. */
    private const SUMS = ['leakage-clamp', 'clamp', 'clamp-logger', 'insulation-tester', 'insulation-tester-250', 'insulation-tester-1000', 'capacitance-meter', 'voltmeter-high-z', 'voltmeter-low-z', 'earth-clamps'];

    /** Of a reading's own deviation, from which on the length of a circuit among others is a factor of its own. */
    private const TELLING = 1.0;

    /** @return array<string, float> factor => its spread */
    public static function spreads(House $house, Measurement $measurement): array
    {
        if (Unit::Pattern === $measurement->instrument->unit()) {
            return []; // patterns do not move, they are reached or not
        }
        $slug = $measurement->instrument->slug();
        $factors = self::FACTORS[$slug] ?? array_keys(Factors::SPREADS);
        $circuits = $measurement->circuits($house);
        foreach ([] === $circuits && \in_array($slug, self::SUMS, true) ? BoardEnds::circuits($house) : $circuits as $circuit) {
            foreach (Protection::inLine($house, $circuit) as $joined) {
                $factors[] = "length:$joined";
            }
        }

        return array_intersect_key(Factors::spreads($house), array_fill_keys($factors, true));
    }

    /**
     * Where all circuits are read together, those whose lengths tell by themselves; what the others add is noise.
     *
     * @param array<string, float> $spreads
     * @param list<string>         $circuits that the tester is on
     *
     * @return array{array<string, float>, float} spreads of the factors that are followed, and the deviation of what the others do
     */
    public static function telling(Display $display, Row $sound, Bench $base, array $spreads, array $circuits): array
    {
        $square = 0.0;
        foreach ([] === $circuits && $display->isLine() && ShownKind::Nothing !== $sound->shown->kind ? $spreads : [] as $factor => $spread) {
            $other = str_starts_with($factor, 'length:') ? $base->leaning($factor, $spread) : null;
            if (null !== $other && ShownKind::Nothing !== $other->kind) {
                $move = $display->z($other->value) - $sound->z;
                if (abs($move) < self::TELLING * $sound->sigma) {
                    unset($spreads[$factor]);
                    $square += $move ** 2;
                }
            }
        }

        return [$spreads, sqrt($square)];
    }
}
