<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\Unit;

/** Computes what a measurement would show under every hypothesis, with its movement under every factor that matters to it. */
final class Predictor
{
    /** Raised whenever a prediction may change, so that stored tables are not mixed. */
    public const VERSION = '3';

    /** What each tester's reading depends on beside the lengths of the circuits it is on. */
    private const FACTORS = [
        'voltmeter-high-z' => ['volts', 'outside'],
        'voltmeter-low-z' => ['volts', 'outside'],
        'plug-in-tester' => [],
        'low-ohm' => [],
        'insulation-tester' => ['insulation'],
        'loop-2-wire' => ['supply'],
        'leakage-clamp' => ['leakage', 'load', 'supply', 'outside'],
    ];

    private const ON_LENGTH = ['low-ohm', 'loop-2-wire', 'leakage-clamp'];

    /** @param list<Hypothesis> $hypotheses */
    public static function table(House $house, Measurement $measurement, array $hypotheses): PredictionTable
    {
        return self::compute($house, $measurement, $hypotheses, false);
    }

    /**
     * The same, with every cause moving with the factors as the sound house does: enough to weigh tests against each
     * other, at a third of the cost.
     *
     * @param list<Hypothesis> $hypotheses
     */
    public static function sketch(House $house, Measurement $measurement, array $hypotheses): PredictionTable
    {
        return self::compute($house, $measurement, $hypotheses, true);
    }

    /** @param list<Hypothesis> $hypotheses */
    private static function compute(House $house, Measurement $measurement, array $hypotheses, bool $sketched): PredictionTable
    {
        $display = new Display($measurement->instrument);
        $base = self::bench($house, $measurement, new Factors());
        $shifted = [];
        $spreads = Factors::spreads($house);
        foreach (self::factors($house, $measurement) as $factor) {
            if (isset($spreads[$factor])) {
                $shifted[$factor] = self::bench($house, $measurement, new Factors([$factor => $spreads[$factor]]));
            }
        }
        $moves = $sketched ? self::row($display, $base, $shifted, null)->moves : null;
        $shifted = $sketched ? [] : $shifted;
        $known = [];
        $rows = [];
        foreach ($hypotheses as $hypothesis) {
            if (Hypothesis::ELSE === $hypothesis->id) {
                continue;
            }
            foreach ($hypothesis->changes($house) as $change) {
                // Both ends of one core are one element: the same change, computed once.
                $key = serialize($change);
                $rows[$hypothesis->id][] = $known[$key] ??= self::row($display, $base, $shifted, $change, $moves);
            }
        }

        return new PredictionTable($rows);
    }

    /** What the house as surveyed shows, with its spread. */
    public static function sound(House $house, Measurement $measurement): Row
    {
        return self::table($house, $measurement, [Hypothesis::sound(1.0)])->sound();
    }

    /** @return list<string> */
    private static function factors(House $house, Measurement $measurement): array
    {
        $slug = $measurement->instrument->slug();
        $factors = self::FACTORS[$slug] ?? array_keys(Factors::SPREADS);
        if (\in_array($slug, self::ON_LENGTH, true)) {
            foreach ($measurement->circuits($house) as $circuit) {
                $factors[] = "length:$circuit";
            }
        }

        return $factors;
    }

    private static function bench(House $house, Measurement $measurement, Factors $factors): Bench
    {
        return new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, $factors);
    }

    /**
     * @param array<string, Bench>      $shifted
     * @param array<string, float>|null $moves   when they are known already
     */
    private static function row(Display $display, Bench $base, array $shifted, ?Change $change, ?array $moves = null): Row
    {
        $shown = $base->read($change);
        if (Unit::Pattern === $display->instrument->unit() || ShownKind::Nothing === $shown->kind) {
            return new Row($shown, 0.0, 1.0, []);
        }
        $z = $display->z($shown->value);
        $accuracy = $display->instrument->accuracy();
        $sigma = $display->spread($shown->value, is_finite($shown->value) ? $accuracy->repeatability($display->instrument->scale(), $shown) : 0.0);
        $moves ??= ['gain:'.$display->instrument->slug() => $accuracy->gainSpread() * $display->slope($shown->value)];
        foreach ($shifted as $factor => $bench) {
            $other = $bench->read($change);
            if (ShownKind::Nothing !== $other->kind) {
                $moves[$factor] = $display->z($other->value) - $z;
            }
        }

        return new Row($shown, $z, max($sigma, 0.002), $moves);
    }
}
