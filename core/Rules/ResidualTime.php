<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Device\ResidualLaw;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/** Time of a residual device at a multiple of its rating: ½ × holds, above it opens within the time of its kind; a delayed one not too early. */
final class ResidualTime implements Formula
{
    public function slug(): string
    {
        return 'residual-time';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        $device = ActedDevice::of($house, $measurement);
        if (null === $device) {
            return null;
        }
        $law = ResidualLaw::of($device);
        $multiple = $parameters->number('multiple');
        $longest = $law->longest($multiple * $law->ratedAmperes);
        $working = \sprintf('%s × %.0f mA%s; read %s', $multiple, 1e3 * $law->ratedAmperes, null === $longest ? ': must hold' : \sprintf(': within %.0f ms', 1e3 * $longest), $reading->raw);

        return match (true) {
            ShownKind::Nothing === $reading->kind => new Outcome(Verdict::Doubt, 'The test was not possible here: no supply, no earth, or more than 50 V on it.', $working),
            null === $longest => ShownKind::Over === $reading->kind ? new Outcome(Verdict::Good, 'Holds, as it must.', $working) : new Outcome(Verdict::Bad, 'Opens below its rating: leakage, a neutral–earth contact, or the device.', $working),
            ShownKind::Over === $reading->kind || $reading->value > $longest => new Outcome(Verdict::Bad, 'Too slow, or does not open.', $working),
            $reading->value < $law->shortest($multiple * $law->ratedAmperes) => new Outcome(Verdict::Bad, 'Too early for a delayed device.', $working),
            default => new Outcome(Verdict::Good, 'Opens in time.', $working),
        };
    }
}
