<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\States;

/** Whether a measurement is only set up after the board was made safe: a main that is on has to be off for it. */
final class NeedsIsolation
{
    public static function of(House $house, State $now, Measurement $measurement): bool
    {
        foreach (States::mains($house) as $main) {
            if ('off' !== $now->position($main->id, 'on') && 'off' === $measurement->state->position($main->id, 'on')) {
                return true;
            }
        }

        return false;
    }
}
