<?php

declare(strict_types=1);

namespace App\Words;

/**
 * A probability as people read it, rounded once: below 1 % "under 1 %", to 10 and from 90 to 95 in whole per cents, between
 * in fives, then "over 95 %". Page, dialogue and paper show this and nothing else.
 */
final class Percent
{
    public static function of(float $probability): string
    {
        $percent = 100.0 * $probability;

        return match (true) {
            $percent <= 0.0 => '0 %',
            $percent < 1.0 => 'under 1 %',
            $percent > 95.0 => 'over 95 %',
            $percent <= 10.0, $percent >= 90.0 => \sprintf('%d %%', round($percent)),
            default => \sprintf('%d %%', 5 * round($percent / 5.0)),
        };
    }
}
