<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\PortNetwork;

/** Three lamps, L–N, L–E and N–E, and no more: screening, never a test result. */
final readonly class PlugInTester implements PatternInstrument
{
    private const LAMP_OHMS = 150e3;

    /** Lamps for 230 V light above 150 V, those for 120 V above 80 V. */
    private const LIT_VOLTS = 150.0;
    private const LIT_VOLTS_LOW = 80.0;
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

    public function trap(): string
    {
        return 'Three voltmeters and no more: an earth of tens of kΩ, neutral and earth exchanged and an earth taken from the neutral look right.';
    }

    public function excitation(): Excitation
    {
        return Excitation::mains();
    }

    /** The levels are the lamps' volts, in proportion to what lights a lamp for 230 V. */
    public function apply(PortNetwork $ports, array $leads, Supply $supply): Shown
    {
        $ports = clone $ports;
        $pairs = [[$leads[0], $leads[1]], [$leads[0], $leads[2]], [$leads[1], $leads[2]]];
        foreach ($pairs as [$a, $b]) {
            $ports->join($a, $b, 1.0 / self::LAMP_OHMS);
        }
        $volts = $ports->volts();
        $share = $supply->nominalVolts < 200.0 ? self::LIT_VOLTS / self::LIT_VOLTS_LOW : 1.0;
        $lamps = [];
        foreach ($pairs as [$a, $b]) {
            $lamps[] = null === $volts[$a] || null === $volts[$b] ? 0.0 : $share * $volts[$a]->minus($volts[$b])->modulus();
        }

        return Shown::levels($lamps);
    }

    public function scale(): Scale
    {
        return new Scale([[1.0, 1.0]]);
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy(0.0, 0.0);
    }

    public function patterns(): array
    {
        return ['000', '001', '010', '011', '100', '101', '110', '111'];
    }

    public function pattern(Shown $shown): string
    {
        return implode('', array_map(static fn (float $volts): string => $volts >= self::LIT_VOLTS ? '1' : '0', $shown->levels));
    }

    public function probability(Shown $shown, string $pattern): float
    {
        $probability = 1.0;
        foreach ($shown->levels as $at => $volts) {
            $lit = 1.0 / (1.0 + exp(-($volts - self::LIT_VOLTS) / self::SPREAD_VOLTS));
            $reported = self::MISS + (1.0 - 2.0 * self::MISS) * $lit;
            $probability *= '1' === $pattern[$at] ? $reported : 1.0 - $reported;
        }

        return $probability;
    }
}
