<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** The conductors between the switches of one light. */
final class Strappers
{
    private const SWITCHES = ['switch', 'intermediate-switch'];

    /** @param string $joint "cable/core@end" */
    public static function isOne(House $house, string $joint): bool
    {
        $core = $house->joint($joint)[0] ?? null;
        foreach ($core->ends ?? [null] as $terminal) {
            if (null === $terminal || !\in_array($house->partOf($terminal)->kind, self::SWITCHES, true) || str_ends_with($terminal, '.COM') || str_ends_with($terminal, '.E')) {
                return false;
            }
        }

        return true;
    }
}
