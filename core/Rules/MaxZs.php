<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Ratings;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ShownKind;

/**
 * Largest earth fault loop that still opens the circuit's breaker at once: Z_s = c_min·U0/I_a with I_a = k·I_n
 * (k 5 for B, 10 for C, 20 for D); a value measured cold is compared with 80 % of it.
 * In TT the breaker cannot open on an earth fault, and the limit is that of the residual device.
 */
final class MaxZs implements Formula
{
    public function slug(): string
    {
        return 'max-zs';
    }

    public function judge(Attributes $parameters, House $house, Measurement $measurement, Reading $reading): ?Outcome
    {
        $circuit = $measurement->circuits($house)[0] ?? null;
        if (null === $circuit || ShownKind::Pattern === $reading->kind) {
            return null;
        }
        $device = Protection::residualDevice($house, $circuit);
        $earthing = $house->partsOfKind('service')[0] ?? null;
        if (null !== $device && 'TT' === $earthing?->attributes->string('system', '')) {
            return self::residual($parameters, $device, $reading);
        }
        $way = $house->parts[$house->circuits[$circuit]->way];
        $curve = Ratings::knownCurve($way) ?? '';
        $multiple = $parameters->object('multiples')->number($curve, 0.0);
        $amperes = Ratings::knownAmperes($way) ?? 0.0;
        $fuse = $parameters->object('fuses')->object($curve)->number((string) $amperes, 0.0);
        if ($fuse > 0.0) {
            return self::compared($fuse, $parameters->number('coldFactor'), \sprintf('table for a %s fuse of %s A: %.2f Ω', $curve, $amperes, $fuse), "a $curve fuse of $amperes A", $reading);
        }
        if ($multiple <= 0.0 || $amperes <= 0.0) {
            return null;
        }
        $limit = $parameters->number('minimumVoltageFactor') * $parameters->number('volts') / ($multiple * $amperes);

        return self::compared($limit, $parameters->number('coldFactor'), \sprintf('%s × %s V / (%s × %s A) = %.2f Ω', $parameters->number('minimumVoltageFactor'), $parameters->number('volts'), $multiple, $amperes, $limit), "$curve$amperes", $reading);
    }

    private static function compared(float $limit, float $coldFactor, string $working, string $device, Reading $reading): Outcome
    {
        $cold = $coldFactor * $limit;
        $working .= \sprintf('; cold, 80 %%: %.2f Ω; read %s', $cold, $reading->raw);

        return match (true) {
            ShownKind::Value !== $reading->kind => new Outcome(Verdict::Bad, 'No loop to earth: the device would not open on an earth fault.', $working),
            $reading->value > $limit => new Outcome(Verdict::Bad, \sprintf('More than the %.2f Ω that %s allows.', $limit, $device), $working),
            $reading->value > $cold => new Outcome(Verdict::Doubt, \sprintf('Above 80 %% of the limit (%.2f Ω): it may be too much when the cable is warm.', $cold), $working),
            default => new Outcome(Verdict::Good, \sprintf('Below %.2f Ω, 80 %% of the limit of %s.', $cold, $device), $working),
        };
    }

    /** Where the return is through the ground a residual device protects: Z_s·I_Δn ≤ touch voltage. */
    private static function residual(Attributes $parameters, Part $device, Reading $reading): Outcome
    {
        $amperes = Ratings::residualMilliamperes($device) / 1000.0;
        $limit = $parameters->number('touchVolts') / $amperes;
        $unstable = $parameters->number('unstableOhms');
        $working = \sprintf('%s V / %s mA = %.0f Ω; read %s', $parameters->number('touchVolts'), 1000.0 * $amperes, $limit, $reading->raw);

        return match (true) {
            ShownKind::Value !== $reading->kind => new Outcome(Verdict::Bad, 'No loop to earth: the residual device would see no earth fault.', $working),
            $reading->value > $limit => new Outcome(Verdict::Bad, \sprintf('More than %.0f Ω: the touch voltage can pass %s V before the residual device acts.', $limit, $parameters->number('touchVolts')), $working),
            $reading->value > $unstable => new Outcome(Verdict::Doubt, \sprintf('The residual device protects, but above %s Ω the electrode may be unstable when dry or frozen.', $unstable), $working),
            default => new Outcome(Verdict::Good, \sprintf('Through the ground, so the residual device protects: below %.0f Ω.', $limit), $working),
        };
    }
}
