<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A joint box: one connector for each of L, N, E and switched line. */
final class Junction implements PartKind
{
    public function slug(): string
    {
        return 'junction';
    }

    public function terminals(Part $part): array
    {
        return [
            'L' => [Role::Line, Access::CoverOff],
            'N' => [Role::Neutral, Access::CoverOff],
            'E' => [Role::Earth, Access::CoverOff],
            'SL' => [Role::SwitchedLine, Access::CoverOff],
        ];
    }

    public function build(Part $part, PartContext $context): void
    {
        // A connector is one terminal: what lands on it meets there.
    }
}
