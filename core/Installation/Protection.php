<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** Which residual device stands before a circuit, read off the wires of the board. */
final class Protection
{
    public static function residualDevice(House $house, string $circuit): ?Part
    {
        $way = $house->parts[$house->circuits[$circuit]->way];
        if ('rcbo' === $way->kind) {
            return $way;
        }
        foreach ($house->wiring->landedOn($way->terminal('in')) as [$core, $end]) {
            $other = $core->ends[2 - $end];
            if (null !== $other && 'residual-device' === $house->partOf($other)->kind) {
                return $house->partOf($other);
            }
        }

        return null;
    }
}
