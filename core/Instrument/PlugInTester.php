<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Network\PortNetwork;

/** Three lamps, L–N, L–E and N–E, and no more: screening, never a test result. */
final class PlugInTester implements Instrument
{
    private const LAMP_OHMS = 150e3;
    private const LIT_VOLTS = 150.0;
    private const SPREAD_VOLTS = 10.0;

    /** A lamp misread, dim, or a contact not made. */
    private const MISS = 0.03;

    public function slug(): string
    {
        return 'plug-in-tester';
    }

    public function words(): string
    {
        return 'Plug-in tester';
    }

    public function unit(): Unit
    {
        return Unit::Pattern;
    }

    public function leads(): array
    {
        return ['L', 'N', 'E'];
    }

    public function deadOnly(): bool
    {
        return false;
    }

    public function excitation(): Excitation
    {
        return Excitation::mains();
    }

    public function apply(PortNetwork $ports, array $leads): Shown
    {
        $ports = clone $ports;
        $pairs = [[$leads[0], $leads[1]], [$leads[0], $leads[2]], [$leads[1], $leads[2]]];
        foreach ($pairs as [$a, $b]) {
            $ports->join($a, $b, 1.0 / self::LAMP_OHMS);
        }
        $volts = $ports->volts();
        $lamps = [];
        foreach ($pairs as [$a, $b]) {
            $lamps[] = null === $volts[$a] || null === $volts[$b] ? 0.0 : $volts[$a]->minus($volts[$b])->modulus();
        }

        return Shown::lamps($lamps);
    }

    public function scale(): Scale
    {
        return new Scale([[1.0, 1.0]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.0, 0.0);
    }

    /** The pattern an ideal eye sees, such as "110". */
    public static function pattern(Shown $shown): string
    {
        return implode('', array_map(static fn (float $volts): string => $volts >= self::LIT_VOLTS ? '1' : '0', $shown->lamps));
    }

    /** Probability that a pattern is reported when the lamps stand at the volts shown. */
    public static function probability(Shown $shown, string $pattern): float
    {
        $probability = 1.0;
        foreach ($shown->lamps as $at => $volts) {
            $lit = 1.0 / (1.0 + exp(-($volts - self::LIT_VOLTS) / self::SPREAD_VOLTS));
            $reported = self::MISS + (1.0 - 2.0 * self::MISS) * $lit;
            $probability *= '1' === $pattern[$at] ? $reported : 1.0 - $reported;
        }

        return $probability;
    }
}
