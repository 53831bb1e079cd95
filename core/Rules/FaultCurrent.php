<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/** Prospective fault current U0/Z against a breaking capacity, with the range that the tester’s error leaves: near the transformer a loop of hundredths of an ohm is known poorly. */
final class FaultCurrent implements Formula
{
    public function slug(): string
    {
        return 'fault-current';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        if (ShownKind::Value !== $reading->kind || $reading->value <= 0.0) {
            return null;
        }
        $volts = $parameters->number('volts');
        $capacity = $parameters->number('kiloamperes');
        $accuracy = $measurement->instrument->accuracy();
        $error = $accuracy->gain * $reading->value + $accuracy->digits * $measurement->instrument->scale()->resolution($reading->value);
        $kiloamperes = static fn (float $ohms): float => $volts / $ohms / 1000.0;
        $low = $kiloamperes($reading->value + $error);
        $high = $reading->value > $error ? $kiloamperes($reading->value - $error) : \INF;
        $range = is_finite($high) ? \sprintf('%.1f to %.1f kA', $low, $high) : \sprintf('more than %.1f kA', $low);
        $working = \sprintf('%s V / %s = %.1f kA, %s', $volts, $reading->raw, $kiloamperes($reading->value), $range);

        return match (true) {
            $low > $capacity => new Outcome(Verdict::Bad, \sprintf('More than %s kA.', $capacity), $working),
            $high > $capacity => new Outcome(Verdict::Doubt, \sprintf('Between %s: it may pass %s kA, read it in a fine mode.', $range, $capacity), $working),
            default => new Outcome(Verdict::Good, \sprintf('Below %s kA.', $capacity), $working),
        };
    }
}
