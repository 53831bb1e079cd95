<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A wall switch: COM and L1, and L2 when "ways" is 2. Positions: on / off, or 1 / 2 of a two-way switch. */
final class LightSwitch implements PartKind
{
    private const CONTACT_OHMS = 0.005;

    public function slug(): string
    {
        return 'switch';
    }

    public function terminals(Part $part): array
    {
        $terminals = ['COM' => [Role::Line, Access::CoverOff], 'L1' => [Role::SwitchedLine, Access::CoverOff], 'E' => [Role::Earth, Access::CoverOff]];
        if (self::isTwoWay($part)) {
            $terminals['L2'] = [Role::SwitchedLine, Access::CoverOff];
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        $position = $context->state->position($part->id, 'on');
        if (self::isTwoWay($part)) {
            $way = '2' === $position ? 'L2' : 'L1';
            $context->contact($part, $way, 'COM', $way, self::CONTACT_OHMS);
        } elseif ('on' === $position) {
            $context->contact($part, 'L1', 'COM', 'L1', self::CONTACT_OHMS);
        }
    }

    public static function isTwoWay(Part $part): bool
    {
        return 2.0 === $part->attributes->number('ways', 1.0);
    }
}
