<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\Core;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** Circuits of two legs that share one neutral. */
final class Multiwire
{
    /** @return array<string, array{line: Core, neutral: Core}> circuit => a line core and the shared neutral where they leave the board */
    public static function all(House $house): array
    {
        $found = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            foreach ($house->cables as $cable) {
                $roles = array_map(static fn (Core $core): string => $core->role->value, $cable->cores);
                if ($cable->circuit === $circuit && \in_array('L1', $roles, true) && \in_array('L2', $roles, true) && \in_array('N', $roles, true)) {
                    $of = static fn (Role $role): Core => array_values(array_filter($cable->cores, static fn (Core $core): bool => $role === $core->role))[0];
                    $found[$circuit] ??= ['line' => $of(Role::Leg1), 'neutral' => $of(Role::Neutral)];
                }
            }
        }

        return $found;
    }
}
