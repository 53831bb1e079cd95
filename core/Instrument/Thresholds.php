<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Network\Complex;
use YellowProbe\Network\NumericalError;
use YellowProbe\Network\PortNetwork;

/**
 * What conducts only above some volts, settled: above its edge each is a slope and a source of those volts against the
 * current, below it is nothing. The set that conducts is found by changing one at a time, the first that is wrong, which
 * ends for passive networks (Murty's least index); should it not, that is an error and no number.
 */
final class Thresholds
{
    private const PASSES = 64;
    private const HYSTERESIS = 1e-6;

    /** @param list<array{int, int, float, float}> $thresholds nodes, volts, siemens beyond them */
    public static function settled(PortNetwork $ports, int $lead, DirectOhmmeter $tester, array $thresholds): PortNetwork
    {
        return self::with($ports, self::conducting($ports, $lead, $tester, $thresholds));
    }

    /**
     * What conducts in the end, each as the branch that it then is.
     *
     * @param list<array{int, int, float, float}> $thresholds
     *
     * @return list<array{int, int, Complex, Complex}> nodes, admittance and the Norton current of the source in it
     */
    public static function conducting(PortNetwork $ports, int $lead, DirectOhmmeter $tester, array $thresholds): array
    {
        $conducting = [];
        for ($pass = 0; $pass < self::PASSES; ++$pass) {
            $branches = self::branches($thresholds, $conducting);
            $tried = self::with($ports, $branches);
            [$y, $j] = $tried->norton($lead);
            $on = $tester->voltsOn($y->re, $j->re);
            $driven = clone $tried;
            $driven->inject($lead, $y->re * $on - $j->re);
            $at = $driven->volts();
            $wrong = null;
            foreach ($thresholds as $index => [$a, $b, $volts]) {
                $across = ($at[$a]->re ?? 0.0) - ($at[$b]->re ?? 0.0);
                // On an island of gigohms the volts beyond the edge are no larger than rounding: what conducts goes on.
                $edge = isset($conducting[$index]) ? (1.0 - self::HYSTERESIS) * $volts : $volts;
                $sign = abs($across) > $edge ? ($across > 0.0 ? 1 : -1) : 0;
                if ($sign !== ($conducting[$index] ?? 0)) {
                    $wrong = [$index, $sign];
                    break;
                }
            }
            if (null === $wrong) {
                return $branches;
            }
            $conducting[$wrong[0]] = $wrong[1];
            $conducting = array_filter($conducting);
        }
        throw new NumericalError('Parts that conduct by voltage come to no rest: the reading would be unstable.');
    }

    /**
     * @param list<array{int, int, float, float}> $thresholds
     * @param array<int, int>                     $conducting which of them, and which way
     *
     * @return list<array{int, int, Complex, Complex}>
     */
    private static function branches(array $thresholds, array $conducting): array
    {
        $branches = [];
        foreach ($conducting as $at => $sign) {
            [$a, $b, $volts, $siemens] = $thresholds[$at];
            $branches[] = [$a, $b, new Complex($siemens), new Complex(-$sign * $volts * $siemens)];
        }

        return $branches;
    }

    /** @param list<array{int, int, Complex, Complex}> $branches */
    private static function with(PortNetwork $ports, array $branches): PortNetwork
    {
        $with = clone $ports;
        foreach ($branches as [$a, $b, $y, $j]) {
            $with->join($a, $b, $y->re);
            $with->drive($a, $b, $j->re);
        }

        return $with;
    }
}
