<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Influence;
use YellowProbe\Network\Network;
use YellowProbe\Network\PortNetwork;

/** Readings of faults that change one admittance, of testers that read a lead or a sum of currents: a formula each. */
final readonly class ClosedForm
{
    /**
     * @param list<int>               $leads    empty for a jaw
     * @param list<array{int, bool}>  $embraced branches that the state has, and whether each counts backward; one between two embraced cores stands twice
     */
    private function __construct(private Network $network, private int $datum, private Influence $influence, private Instrument $instrument, private array $leads, private Supply $supply, private array $embraced)
    {
    }

    /**
     * @param list<int> $leads
     * @param bool      $isLinear whether nothing could conduct by voltage
     *
     * @return self|null null where the tester needs more than sums, or a node of them has no way to the datum
     */
    public static function on(Network $network, Elimination $elimination, Instrument $instrument, Connection $connection, array $leads, Supply $supply, bool $isLinear): ?self
    {
        $weights = self::weights($network, $elimination, $instrument, $connection, $leads, $isLinear);
        if (null === $weights) {
            return null;
        }
        $influence = Influence::on($elimination, $weights);
        foreach ($weights as $weight) {
            foreach (array_keys($weight) as $node) {
                if (!$influence->reaches($node)) {
                    return null;
                }
            }
        }
        $embraced = [];
        foreach ([] === $connection->terminals ? $connection->around : [] as $signed) {
            $branch = $network->branch(substr($signed, 1));
            if (null !== $branch) {
                $embraced[] = [$branch, '-' === $signed[0]];
            }
        }

        return new self($network, $elimination->datum, $influence, $instrument, $leads, $supply, $embraced);
    }

    /** The reading in closed form where the change is one of admittance between two nodes, and enough digits are left. */
    public function read(ResolvedChange $resolved): ?Shown
    {
        if (\count($resolved->with) > 1 || \count($resolved->without) > 1) {
            return null;
        }
        $branch = $resolved->without[0] ?? null;
        $new = $resolved->with[0] ?? null;
        $a = $b = $this->datum;
        $re = $im = 0.0;
        if (null !== $branch) {
            if (0.0 !== $this->network->jRe[$branch] || 0.0 !== $this->network->jIm[$branch] || \in_array($branch, array_column($this->embraced, 0), true)) {
                return null;
            }
            [$a, $b, $re, $im] = [$this->network->from[$branch], $this->network->to[$branch], -$this->network->yRe[$branch], -$this->network->yIm[$branch]];
        }
        if (null !== $new) {
            if (0.0 !== $new[3]->re || 0.0 !== $new[3]->im || (null !== $branch && ($new[0] !== $a || $new[1] !== $b))) {
                return null;
            }
            [$a, $b, $re, $im] = [$new[0], $new[1], $re + $new[2]->re, $im + $new[2]->im];
        }
        $moved = $a === $b ? array_fill(0, max(1, \count($this->embraced)), [Complex::zero(), Complex::zero()]) : $this->influence->moved($a, $b, $re, $im);

        return null === $moved ? null : ([] === $this->leads ? $this->clamped($moved) : $this->led($moved));
    }

    /** @param list<array{Complex, Complex}> $moved */
    private function led(array $moved): ?Shown
    {
        $sound = $this->influence->response(0, $this->leads[0]);
        $ohms = $sound->plus($moved[0][1]);
        if ($ohms->modulus() < 1e-7 * $sound->modulus()) {
            return null;
        }
        $y = (new Complex(1.0))->over($ohms);
        $j = $this->influence->sum(0)->plus($moved[0][0])->times($y);
        $ports = new PortNetwork($this->datum, [$this->leads[0]]);
        $ports->join($this->leads[0], $this->datum, $y->re, $y->im);
        $ports->inject($this->leads[0], $j->re, $j->im);

        return $this->instrument->apply($ports, $this->leads, $this->supply);
    }

    /** @param list<array{Complex, Complex}> $moved */
    private function clamped(array $moved): Shown
    {
        $currents = [];
        foreach ($this->embraced as $at => [$branch, $backward]) {
            $currents[] = [$this->influence->sum($at)->plus($moved[$at][0])->plus($this->network->driven($branch)), $backward];
        }

        return JawSum::shown($this->instrument, $currents);
    }

    /**
     * @param list<int> $leads
     *
     * @return list<array<int, Complex>>|null by sum: node => weight; null where the tester needs more than sums
     */
    private static function weights(Network $network, Elimination $elimination, Instrument $instrument, Connection $connection, array $leads, bool $isLinear): ?array
    {
        if ([] === $connection->terminals) {
            if ($instrument instanceof HeatInstrument || $instrument instanceof EarthClamps || $instrument instanceof DeviceWatch) {
                return null;
            }
            $weights = [];
            foreach ($connection->around as $signed) {
                $branch = $network->branch(substr($signed, 1));
                if (null !== $branch) {
                    $y = $network->admittance($branch);
                    $weights[] = array_diff_key([$network->from[$branch] => $y, $network->to[$branch] => Complex::zero()->minus($y)], [$elimination->datum => true]);
                }
            }

            return $weights;
        }
        $alone = \count(array_unique($leads)) === \count($leads) && $isLinear;
        // Lamps, a transmitter and a loop of two cores join leads among each other; a residual tester needs its device.
        $joins = $instrument instanceof PlugInTester || $instrument instanceof LeakLocator || $instrument instanceof Tracer || $instrument instanceof ResidualTester;

        return $alone && !$joins ? [[$leads[0] => new Complex(1.0)]] : null;
    }
}
