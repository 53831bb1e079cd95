<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Ratings;
use YellowProbe\Installation\Supply;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/**
 * Voltage dropped from the origin to a point at the full rating of its circuit: I_n·(Z_LN at the point − Z_LN at the
 * origin), against a share of the nominal voltage. A circuit that never carries its rating drops less, so more than the
 * share is a doubt and no failure.
 */
final class VoltageDrop implements Formula
{
    public function slug(): string
    {
        return 'voltage-drop';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        $circuit = $measurement->circuits($house)[0] ?? null;
        $service = $house->partsOfKind('service')[0] ?? null;
        if (null === $circuit || null === $service || ShownKind::Value !== $reading->kind) {
            return null;
        }
        $amperes = Ratings::knownAmperes($house->parts[$house->circuits[$circuit]->way]);
        if (null === $amperes) {
            return null;
        }
        $origin = $service->attributes->positive('lineOhms', 0.06) + $service->attributes->positive('neutralOhms', 0.06);
        $share = $parameters->number('lighting' === $house->circuits[$circuit]->claim ? 'lighting' : 'other');
        $nominal = Supply::of($house)->nominalVolts;
        $drop = $amperes * max(0.0, $reading->value - $origin);
        $working = \sprintf('%s A × (%s − %.2f Ω) = %.1f V; at most %.0f %% of %s V, %.1f V', $amperes, $reading->raw, $origin, $drop, 100.0 * $share, $nominal, $share * $nominal);

        return $drop > $share * $nominal
            ? new Outcome(Verdict::Doubt, \sprintf('At its full %s A it would drop %.1f V: look at its length, its joints and what it really carries.', $amperes, $drop), $working)
            : new Outcome(Verdict::Good, \sprintf('Even at its full %s A it drops no more than %.1f V.', $amperes, $drop), $working);
    }
}
