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

    /** @param float $coreOhms small-signal impedance of a residual core: only a current that does not return through the other pole meets it */
    protected function poles(Part $part, PartContext $context, float $ohms, bool $switchesNeutral = true, float $coreOhms = 0.0): void
    {
        $closed = $context->isClosed($part);
        $ohms = $part->attributes->positive('poleOhms', $ohms);
        if ($closed) {
            $core = $context->excitation->smallSignal ? $part->attributes->positive('coreOhms', $coreOhms) : 0.0;
            $context->contact($part, 'L', 'Lin', 'Lout', $ohms + $core);
        }
        if ($closed || !$switchesNeutral) {
            $context->contact($part, 'N', 'Nin', 'Nout', $ohms);
        }
    }
}
