<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Network\Complex;

/** What a jaw around several conductors shows: their currents added with their directions, and the largest passing through. */
final class JawSum
{
    /** @param list<array{Complex, bool, Complex}> $currents of the embraced conductors, whether each counts backward, and the volts along it */
    public static function shown(Instrument $instrument, array $currents): Shown
    {
        $sum = Complex::zero();
        $largest = 0.0;
        foreach ($currents as [$current, $backward]) {
            $sum = $backward ? $sum->minus($current) : $sum->plus($current);
            $largest = max($largest, $current->modulus());
        }
        $amperes = $sum->modulus();

        return $amperes > $instrument->scale()->top() ? Shown::over($amperes) : Shown::value($amperes, $largest);
    }
}
