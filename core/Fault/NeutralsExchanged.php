<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** Everything that leaves from one terminal lands on another, and the other way round. */
final class NeutralsExchanged
{
    public static function between(House $house, string $one, string $other): Change
    {
        $change = new Change();
        foreach ([[$one, $other], [$other, $one]] as [$from, $to]) {
            foreach (BoardEnds::landedOn($house, $from) as $joint) {
                $change = $change->and(Relanding::of($house, $joint, $to));
            }
        }

        return $change;
    }
}
