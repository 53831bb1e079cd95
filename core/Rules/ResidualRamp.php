<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Device\ResidualLaw;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/** Where a residual device opens on a slow rise: between two shares of its rating. */
final class ResidualRamp implements Formula
{
    public function slug(): string
    {
        return 'residual-ramp';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        $device = ActedDevice::of($house, $measurement);
        if (null === $device) {
            return null;
        }
        $law = ResidualLaw::of($device);
        [$low, $high] = [max($law->holdsAmperes, $parameters->number('low') * $law->ratedAmperes), $parameters->number('high') * $law->ratedAmperes];
        $working = \sprintf('%.1f to %.1f mA; read %s', 1e3 * $low, 1e3 * $high, $reading->raw);

        return match (true) {
            ShownKind::Nothing === $reading->kind => new Outcome(Verdict::Doubt, 'The test was not possible here, or the device does not hold.', $working),
            ShownKind::Over === $reading->kind || $reading->value > $high => new Outcome(Verdict::Bad, 'Opens too late or not at all: the device, or test current that comes back through the neutral.', $working),
            $reading->value < $low => new Outcome(Verdict::Bad, 'Opens early: standing leakage, or the device.', $working),
            default => new Outcome(Verdict::Good, 'Opens where it should.', $working),
        };
    }
}
