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

    /**
     * @param list<array{int, int, float, float}> $thresholds nodes, volts, siemens beyond them
     * @param array<int, int>                     $conducting as of {@see conducting()}, to begin with
     */
    public static function settled(PortNetwork $ports, int $lead, DirectOhmmeter $tester, array $thresholds, array $conducting): PortNetwork
    {
        return self::with($ports, self::branches($thresholds, self::conducting($ports, $lead, $tester, $thresholds, $conducting)));
    }

    /**
     * Which of them conduct in the end, and which way.
     *
     * @param list<array{int, int, float, float}> $thresholds
     * @param array<int, int>                     $conducting to begin with: what does in a network much like it saves passes
     *
     * @return array<int, int> place in the list => 1, or −1 against the direction
     */
    public static function conducting(PortNetwork $ports, int $lead, DirectOhmmeter $tester, array $thresholds, array $conducting = []): array
    {
        for ($pass = 0; $pass < self::PASSES; ++$pass) {
            $tried = self::with($ports, self::branches($thresholds, $conducting));
            [$y, $j] = $tried->norton($lead);
            $driven = clone $tried;
            $driven->inject($lead, $y->re * $tester->voltsOn($y->re, $j->re) - $j->re);
            $at = $driven->volts();
            $wrong = self::wrong($thresholds, $conducting, array_map(static fn (array $threshold): float => ($at[$threshold[0]]->re ?? 0.0) - ($at[$threshold[1]]->re ?? 0.0), $thresholds));
            if (null === $wrong) {
                return $conducting;
            }
            $conducting[$wrong[0]] = $wrong[1];
            $conducting = array_filter($conducting);
        }
        throw new NumericalError('Parts that conduct by voltage come to no rest: the reading would be unstable.');
    }

    /**
     * The first that is not as its volts say.
     *
     * @param list<array{int, int, float, float}> $thresholds
     * @param array<int, int>                     $conducting as of {@see conducting()}
     * @param list<float>                         $volts      across each of them
     *
     * @return array{int, int}|null its place in the list, and how it conducts then
     */
    public static function wrong(array $thresholds, array $conducting, array $volts): ?array
    {
        foreach ($thresholds as $at => [, , $edge]) {
            // On an island of gigohms the volts beyond the edge are no larger than rounding: what conducts goes on.
            $edge *= isset($conducting[$at]) ? 1.0 - self::HYSTERESIS : 1.0;
            $sign = abs($volts[$at]) > $edge ? ($volts[$at] > 0.0 ? 1 : -1) : 0;
            if ($sign !== ($conducting[$at] ?? 0)) {
                return [$at, $sign];
            }
        }

        return null;
    }

    /**
     * What conducts, each as the branch that it then is.
     *
     * @param list<array{int, int, float, float}> $thresholds
     * @param array<int, int>                     $conducting as of {@see conducting()}
     *
     * @return list<array{int, int, Complex, Complex}> nodes, admittance and the Norton current of the source in it
     */
    public static function branches(array $thresholds, array $conducting): array
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
