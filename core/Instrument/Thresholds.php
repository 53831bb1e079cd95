<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Network\NumericalError;
use YellowProbe\Network\PortNetwork;

/**
 * What conducts only above some volts, settled: above its edge each is a slope and a source of those volts against the
 * current, below it is nothing. The set that conducts is sought in at most eight passes.
 */
final class Thresholds
{
    private const PASSES = 8;

    /** @param list<array{int, int, float, float}> $thresholds nodes, volts, siemens beyond them */
    public static function settled(PortNetwork $ports, int $lead, DirectOhmmeter $tester, array $thresholds): PortNetwork
    {
        $conducting = [];
        for ($pass = 0; $pass < self::PASSES; ++$pass) {
            $tried = clone $ports;
            foreach ($conducting as $at => $sign) {
                [$a, $b, $volts, $siemens] = $thresholds[$at];
                $tried->join($a, $b, $siemens);
                $tried->drive($a, $b, -$sign * $volts * $siemens);
            }
            [$y, $j] = $tried->norton($lead);
            $on = $tester->voltsOn($y->re, $j->re);
            $driven = clone $tried;
            $driven->inject($lead, $y->re * $on - $j->re);
            $at = $driven->volts();
            $next = [];
            foreach ($thresholds as $index => [$a, $b, $volts]) {
                $across = ($at[$a]->re ?? 0.0) - ($at[$b]->re ?? 0.0);
                if (abs($across) > $volts) {
                    $next[$index] = $across > 0.0 ? 1 : -1;
                }
            }
            if ($next === $conducting) {
                return $tried;
            }
            $conducting = $next;
        }

        throw new NumericalError('Parts that conduct by voltage come to no rest: the reading would be unstable.');
    }
}
