<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Ratings;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/** Largest resistance of an electrode: R_A ≤ touch voltage / residual rating of the least sensitive device that relies on it; above some ohms it may be unstable. */
final class ElectrodeResistance implements Formula
{
    public function slug(): string
    {
        return 'electrode';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        if (ShownKind::Pattern === $reading->kind) {
            return null;
        }
        $milliamps = 0.0;
        foreach (array_keys($house->circuits) as $circuit) {
            foreach (Protection::residualDevices($house, $circuit) as $device) {
                $milliamps = max($milliamps, Ratings::residualMilliamperes($device));
            }
        }
        if ($milliamps <= 0.0) {
            return new Outcome(Verdict::Bad, 'No residual device relies on this electrode: nothing would open on an earth fault.', "read $reading->raw");
        }
        $limit = 1000.0 * $parameters->number('touchVolts') / $milliamps;
        $unstable = $parameters->number('unstableOhms');
        $working = \sprintf('%s V / %s mA = %.0f Ω; read %s', $parameters->number('touchVolts'), $milliamps, $limit, $reading->raw);

        return match (true) {
            ShownKind::Value !== $reading->kind || $reading->value > $limit => new Outcome(Verdict::Bad, \sprintf('More than %.0f Ω.', $limit), $working),
            $reading->value > $unstable => new Outcome(Verdict::Doubt, \sprintf('Above %s Ω it may be unstable when dry or frozen.', $unstable), $working),
            default => new Outcome(Verdict::Good, \sprintf('Below %.0f Ω.', min($limit, $unstable)), $working),
        };
    }
}
