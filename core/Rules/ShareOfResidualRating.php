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

/** Standing residual current against the rated residual current of the device before what is clamped. */
final class ShareOfResidualRating implements Formula
{
    public function slug(): string
    {
        return 'share-of-residual-rating';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        if (ShownKind::Value !== $reading->kind) {
            return null;
        }
        $rated = self::ratedAmperes($house, $measurement);
        if (null === $rated) {
            return null;
        }
        $standing = $parameters->number('standing') * $rated;
        $trips = $parameters->number('mayTrip') * $rated;
        $working = \sprintf('%.0f %% of %.0f mA = %.1f mA, %.0f %% = %.1f mA; read %s', 100 * $parameters->number('standing'), 1e3 * $rated, 1e3 * $standing, 100 * $parameters->number('mayTrip'), 1e3 * $trips, $reading->raw);

        return match (true) {
            $reading->value >= $trips => new Outcome(Verdict::Bad, \sprintf('Enough to trip a %.0f mA device.', 1e3 * $rated), $working),
            $reading->value > $standing => new Outcome(Verdict::Doubt, \sprintf('More than %.0f mA: little margin is left.', 1e3 * $standing), $working),
            default => new Outcome(Verdict::Good, \sprintf('Leaves margin to %.0f mA.', 1e3 * $rated), $working),
        };
    }

    private static function ratedAmperes(House $house, Measurement $measurement): ?float
    {
        $owner = explode('/', substr($measurement->connection->around[0] ?? '+', 1))[0];
        $circuit = $measurement->circuits($house)[0] ?? null;
        $device = $house->parts[$owner] ?? (null === $circuit ? null : Protection::residualDevice($house, $circuit));
        $milliamps = null === $device ? null : Ratings::knownResidualMilliamperes($device);

        return null === $milliamps ? null : $milliamps / 1000.0;
    }
}
