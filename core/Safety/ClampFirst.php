<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

/**
 * A neutral or an earth is clamped before it is parted, even with its breaker off (handbook, section 3): it may return the
 * current of another circuit, and its loose end would stand at line potential.
 */
final class ClampFirst
{
    /** From here on a conductor carries current and is not parted. */
    public const CARRIES_AMPERES = 0.01;

    /**
     * Conductors among the changes that have to be clamped before they are parted.
     *
     * @param list<StateChange> $changes
     *
     * @return array<string, string> joint that is lifted => core that the jaw goes around
     */
    public static function of(House $house, array $changes): array
    {
        $first = [];
        foreach ($changes as $change) {
            [$core] = 'lift' === $change->operation ? $house->joint($change->subject) ?? [null] : [null];
            if (null !== $core && \in_array($core->role, [Role::Neutral, Role::Earth], true)) {
                $first[$change->subject] = $core->element();
            }
        }

        return $first;
    }

    /** Whether a jaw is around this core and none of another role. */
    public static function embraces(House $house, Connection $connection, string $element): bool
    {
        $role = self::role($house, $element);
        $cores = [];
        foreach ($connection->around as $signed) {
            // What leaks along a cable is counted in the jaw as elements of its own.
            if (!str_contains($signed, '@')) {
                $cores[] = substr($signed, 1);
            }
        }

        return null !== $role && \in_array($element, $cores, true) && [] === array_filter($cores, static fn (string $core): bool => $role !== self::role($house, $core));
    }

    private static function role(House $house, string $element): ?Role
    {
        [$cable, $key] = explode('/', $element) + [1 => ''];

        return ($house->cables[$cable]->cores[$key] ?? null)?->role;
    }
}
