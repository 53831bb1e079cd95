<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A switch between two pairs of strappers: straight through (1), or crossed (2). */
final class IntermediateSwitch implements PartKind
{
    private const CONTACT_OHMS = 0.005;

    public function slug(): string
    {
        return 'intermediate-switch';
    }

    public function terminals(Part $part): array
    {
        $terminals = ['E' => [Role::Earth, Access::CoverOff]];
        foreach (['A1', 'A2', 'B1', 'B2'] as $key) {
            $terminals[$key] = [Role::SwitchedLine, Access::CoverOff];
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        [$first, $second] = '2' === $context->state->position($part->id, '1') ? ['B2', 'B1'] : ['B1', 'B2'];
        $context->contact($part, 'A1', 'A1', $first, self::CONTACT_OHMS);
        $context->contact($part, 'A2', 'A2', $second, self::CONTACT_OHMS);
    }
}
