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
 * "lamp" is filament, halogen, led, fluorescent or neon, "watts" its power. A cold filament has a fourteenth of its hot
 * resistance; an electronic lamp is no resistance at all to a continuity tester, and a rectifier to an insulation tester.
 */
final class Light implements PartKind
{
    private const CONTACT_OHMS = 0.005;

    /** kind of lamp => hot over cold resistance; 0 for one that is no resistance at all to a tester of few volts */
    private const HOT_TO_COLD = ['filament' => 14.0, 'halogen' => 13.0, 'led' => 0.0, 'fluorescent' => 0.0, 'neon' => 0.0];

    /** From here an electronic lamp conducts, as an insulation tester sees it. */
    private const ELECTRONIC_VOLTS = 90.0;
    private const ELECTRONIC_OHMS = 200e3;

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
        $hot = $context->loadOhms($part, max(0.1, $part->attributes->positive('watts', 60.0)));
        $mains = $context->excitation->isMains();
        $cold = self::HOT_TO_COLD[$lamp] ?? throw new HouseError("/parts/$part->id/lamp", \sprintf('Expected one of %s.', implode(', ', array_keys(self::HOT_TO_COLD))));
        if (null !== $hot && ($mains || 0.0 !== $cold)) {
            $context->contact($part, 'load', 'lamp-L', 'lamp-N', $mains ? $hot : $hot / $cold);
        }
        if (0.0 === $cold) {
            $context->threshold($part, 'lamp-L', 'lamp-N', self::ELECTRONIC_VOLTS, self::ELECTRONIC_OHMS);
        }
    }
}
