<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A bar with numbered terminals t1 … tn in their physical order; each stretch between neighbours has its resistance. */
final class Bar implements PartKind
{
    private const STRETCH_OHMS = 0.00005;

    public function slug(): string
    {
        return 'bar';
    }

    public function terminals(Part $part): array
    {
        $count = (int) $part->attributes->positive('terminals');
        if ($count < 1 || $count > 60) {
            throw new HouseError("/parts/$part->id/terminals", 'A bar has 1 to 60 terminals.');
        }
        $role = Role::tryFrom($part->attributes->string('role')) ?? throw new HouseError("/parts/$part->id/role", 'Expected one of L, N, E, L1, L2.');
        $terminals = [];
        for ($t = 1; $t <= $count; ++$t) {
            $terminals["t$t"] = [$role, Access::CoverOff];
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        $count = (int) $part->attributes->positive('terminals');
        for ($t = 1; $t < $count; ++$t) {
            $context->contact($part, "t$t", "t$t", 't'.($t + 1), self::STRETCH_OHMS);
        }
    }
}
