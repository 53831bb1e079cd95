<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A device that line and neutral pass through: in from the supply, out to what it feeds. */
abstract class TwoPoleDevice implements PartKind
{
    public function terminals(Part $part): array
    {
        return [
            'Lin' => [Role::Line, Access::CoverOff],
            'Nin' => [Role::Neutral, Access::CoverOff],
            'Lout' => [Role::Line, Access::CoverOff],
            'Nout' => [Role::Neutral, Access::CoverOff],
        ];
    }

    protected function poles(Part $part, PartContext $context, float $ohms, bool $switchesNeutral = true): void
    {
        $closed = 'on' === $context->state->position($part->id, 'on');
        $ohms = $part->attributes->positive('poleOhms', $ohms);
        if ($closed) {
            $context->contact($part, 'L', 'Lin', 'Lout', $ohms);
        }
        if ($closed || !$switchesNeutral) {
            $context->contact($part, 'N', 'Nin', 'Nout', $ohms);
        }
    }
}
