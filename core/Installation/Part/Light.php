<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * A lighting point: loop terminals L, N, E, switched line SL, and the holder contacts lamp-L, lamp-N.
 *
 * "lamp" is filament or led, "watts" its power. A cold filament has a fourteenth of its hot resistance; an electronic
 * lamp is no resistance at all to a continuity or insulation tester.
 */
final class Light implements PartKind
{
    private const CONTACT_OHMS = 0.005;
    private const HOT_TO_COLD = 14.0;

    public function slug(): string
    {
        return 'light';
    }

    public function terminals(Part $part): array
    {
        return [
            'L' => [Role::Line, Access::CoverOff],
            'N' => [Role::Neutral, Access::CoverOff],
            'E' => [Role::Earth, Access::CoverOff],
            'SL' => [Role::SwitchedLine, Access::CoverOff],
            'lamp-L' => [Role::SwitchedLine, Access::Front],
            'lamp-N' => [Role::Neutral, Access::Front],
        ];
    }

    public function build(Part $part, PartContext $context): void
    {
        $context->contact($part, 'lamp-L', 'SL', 'lamp-L', self::CONTACT_OHMS);
        $context->contact($part, 'lamp-N', 'N', 'lamp-N', self::CONTACT_OHMS);
        $lamp = $part->attributes->string('lamp', 'filament');
        if ('on' !== $context->state->load($part->id)) {
            return; // the lamp is out of its holder
        }
        $hot = 230.0 ** 2 / max(0.1, $part->attributes->positive('watts', 60.0) * $context->factors->times('load'));
        $ohms = match ($lamp) {
            'filament' => $context->excitation->isMains() ? $hot : $hot / self::HOT_TO_COLD,
            'led' => $context->excitation->isMains() ? $hot : null,
            default => throw new HouseError("/parts/$part->id/lamp", 'Expected filament or led.'),
        };
        if (null !== $ohms) {
            $context->contact($part, 'load', 'lamp-L', 'lamp-N', $ohms);
        }
    }
}
