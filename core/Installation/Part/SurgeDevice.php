<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * Surge arresters from each pole to earth: nothing below "clampVolts", and there an insulation tester at 500 V reads
 * the arrester and not the wiring. Off or out takes it off the circuit.
 */
final class SurgeDevice implements PartKind
{
    /** Slope beyond the clamping voltage, Ω. */
    private const SLOPE_OHMS = 20e3;

    public function slug(): string
    {
        return 'surge-device';
    }

    public function terminals(Part $part): array
    {
        return ['L' => [Role::Line, Access::CoverOff], 'N' => [Role::Neutral, Access::CoverOff], 'E' => [Role::Earth, Access::CoverOff]];
    }

    public function build(Part $part, PartContext $context): void
    {
        if ('on' !== $context->state->load($part->id)) {
            return;
        }
        foreach (['L', 'N'] as $pole) {
            $context->threshold($part, $pole, 'E', $part->attributes->positive('clampVolts', 430.0), self::SLOPE_OHMS);
        }
    }
}
