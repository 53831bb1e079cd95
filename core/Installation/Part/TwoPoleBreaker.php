<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** Two lines opened together: the main of a panel, a 240 V circuit, the two legs of a multiwire branch. */
final class TwoPoleBreaker implements PartKind
{
    public function slug(): string
    {
        return 'two-pole-breaker';
    }

    public function terminals(Part $part): array
    {
        return [
            'in1' => [Role::Leg1, Access::CoverOff],
            'in2' => [Role::Leg2, Access::CoverOff],
            'out1' => [Role::Leg1, Access::CoverOff],
            'out2' => [Role::Leg2, Access::CoverOff],
        ];
    }

    public function build(Part $part, PartContext $context): void
    {
        if ($context->isClosed($part)) {
            $context->contact($part, 'L1', 'in1', 'out1', Breaker::ohms($part));
            $context->contact($part, 'L2', 'in2', 'out2', Breaker::ohms($part));
        }
    }
}
