<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A switch between the mains (1, or on) and another source (2), in both poles; off is neither. */
final class Changeover implements PartKind
{
    private const CONTACT_OHMS = 0.001;

    public function slug(): string
    {
        return 'changeover';
    }

    public function terminals(Part $part): array
    {
        $terminals = [];
        foreach (['main', 'other', 'out'] as $side) {
            $terminals["{$side}L"] = [Role::Line, Access::CoverOff];
            $terminals["{$side}N"] = [Role::Neutral, Access::CoverOff];
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        $position = $context->state->position($part->id, 'on');
        if ('off' === $position) {
            return;
        }
        $side = '2' === $position ? 'other' : 'main';
        foreach (['L', 'N'] as $pole) {
            $context->contact($part, "$side-$pole", $side.$pole, "out$pole", self::CONTACT_OHMS);
        }
    }
}
