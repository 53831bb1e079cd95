<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/**
 * An outlet with a residual device in it: LINE terminals from the supply, LOAD terminals to the outlets it protects,
 * and a face of its own behind the device. Off means tripped: it opens both poles.
 */
final class ResidualOutlet implements PartKind
{
    private const POLE_OHMS = 0.005;
    private const CONTACT_OHMS = 0.01;

    public function slug(): string
    {
        return 'residual-outlet';
    }

    public function terminals(Part $part): array
    {
        $terminals = [];
        foreach (['line', 'load'] as $side) {
            $terminals["$side-L"] = [Role::Line, Access::CoverOff];
            $terminals["$side-N"] = [Role::Neutral, Access::CoverOff];
        }
        $terminals['E'] = [Role::Earth, Access::CoverOff];
        foreach (['L' => Role::Line, 'N' => Role::Neutral, 'E' => Role::Earth] as $pole => $role) {
            $terminals["front-$pole"] = [$role, Access::Front];
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        foreach (['L', 'N'] as $pole) {
            if ($context->isClosed($part)) {
                $context->contact($part, $pole, "line-$pole", "load-$pole", self::POLE_OHMS);
            }
            $context->contact($part, "front-$pole", "load-$pole", "front-$pole", self::CONTACT_OHMS);
        }
        $context->contact($part, 'front-E', 'E', 'front-E', self::CONTACT_OHMS);
    }
}
