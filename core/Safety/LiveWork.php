<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Instrument;

/**
 * Which acts are done on, or beside, what is live. Whoever learns the trade does none of them alone (handbook 5: what may be
 * live is treated as live until it was proved dead at that place).
 */
final class LiveWork
{
    /** A tester that works on a live circuit; one for dead circuits is held off by the proof of dead. */
    public static function isReading(Instrument $instrument): bool
    {
        return !$instrument->deadOnly();
    }

    /**
     * What energises, and a conductor parted or joined where dead is not proved.
     *
     * @param bool $proved whether a proof of dead stands
     */
    public static function isChange(StateChange $change, bool $proved): bool
    {
        return match ($change->operation) {
            'set' => 'off' !== $change->value,
            'lift', 'refit', 'link', 'unlink' => !$proved,
            default => false,
        };
    }
}
