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
    /** Of an impedance: below that too few digits are left of a difference. */
    private const FEW_DIGITS = 1e-7;

    /**
     * @param list<int>               $leads    empty for a jaw
     * @param list<array{int, bool}>  $embraced branches that the state has, and whether each counts backward; one between two embraced cores stands twice
     */
    private function __construct(private Network $network, private int $datum, private Influence $influence, private Instrument $instrument, private array $leads, private Supply $supply, private array $embraced)
    {
    }

    /**
     * @param Network   $network what conducts by voltage stands in it as it does in the sound house
     * @param list<int> $leads
     *
     * @return self|null null where the tester needs more than sums, or a node of them has no way to the datum
     */
    public static function on(Network $network, Elimination $elimination, Instrument $instrument, Connection $connection, array $leads, Supply $supply): ?self
    {
        $weights = self::weights($network, $elimination, $instrument, $connection, $leads);
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
        $changes = \count($resolved->with) > 1 || \count($resolved->without) > 1 ? null : $resolved->admittances();
        if (null === $changes || \count($changes) > 1) {
            return null;
        }
        [$a, $b, $before, $after, $branch] = $changes[0] ?? [$this->datum, $this->datum, Complex::zero(), Complex::zero(), null];
        if (null !== $branch && \in_array($branch, array_column($this->embraced, 0), true)) {
            return null;
        }
        $moved = $a === $b ? array_fill(0, max(1, \count($this->embraced)), [Complex::zero(), Complex::zero()]) : $this->influence->moved($a, $b, $after->re - $before->re, $after->im - $before->im);

        return null === $moved ? null : ([] === $this->leads ? $this->clamped($moved) : $this->led($moved));
    }

    /**
     * The reading with small changes of many elements together, to first order.
     *
     * @param array<int, array{Complex, Complex}> $elements branch => its admittance and the Norton current of its source as they then are
     */
    public function leaning(array $elements): ?Shown
    {
        $changes = [];
        foreach ($elements as $branch => [$y, $j]) {
            $changes[] = [$this->network->from[$branch], $this->network->to[$branch], $y->re - $this->network->yRe[$branch], $y->im - $this->network->yIm[$branch], $j->re - $this->network->jRe[$branch], $j->im - $this->network->jIm[$branch]];
        }
        $moved = $this->influence->leaning($changes);
        if ([] !== $this->leads) {
            // Admittances that lie side by side add up: first order in the admittance is true of large changes of leaks as well.
            $sound = $this->influence->response(0, $this->leads[0]);
            $behind = $sound->minus($moved[0][1]);
            if ($behind->modulus() < self::FEW_DIGITS * $sound->modulus()) {
                return null;
            }

            return $this->between($this->influence->sum(0)->plus($moved[0][0]), $sound->times($sound)->over($behind));
        }
        foreach ($this->embraced as $at => [$branch]) {
            if (isset($elements[$branch])) {
                // An embraced conductor that is changed itself carries more by what it is, too.
                [$y, $j] = $elements[$branch];
                $gained = $y->minus($this->network->admittance($branch))->times($this->influence->across($this->network->from[$branch], $this->network->to[$branch]))->plus($j->minus($this->network->driven($branch)));
                $moved[$at] = [$moved[$at][0]->plus($gained), $moved[$at][1]];
            }
        }

        return $this->clamped($moved);
    }

    /** @param list<array{Complex, Complex}> $moved */
    private function led(array $moved): ?Shown
    {
        $sound = $this->influence->response(0, $this->leads[0]);
        $ohms = $sound->plus($moved[0][1]);

        return $ohms->modulus() < self::FEW_DIGITS * $sound->modulus() ? null : $this->between($this->influence->sum(0)->plus($moved[0][0]), $ohms);
    }

    /** What the tester shows with these volts behind these ohms between its leads. */
    private function between(Complex $volts, Complex $ohms): Shown
    {
        $y = (new Complex(1.0))->over($ohms);
        $j = $volts->times($y);
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
    private static function weights(Network $network, Elimination $elimination, Instrument $instrument, Connection $connection, array $leads): ?array
    {
        if ([] === $connection->terminals) {
            if ($instrument instanceof HeatInstrument || $instrument instanceof EarthClamps || $instrument instanceof DeviceWatch) {
                return null;
            }

            return array_column(Jaw::weights($network, $elimination->datum, $connection->around), 1);
        }
        $alone = \count(array_unique($leads)) === \count($leads);
        // Lamps, a transmitter and a loop of two cores join leads among each other; a residual tester needs its device.
        $joins = $instrument instanceof PlugInTester || $instrument instanceof LeakLocator || $instrument instanceof Tracer || $instrument instanceof ResidualTester;

        return $alone && !$joins ? [[$leads[0] => new Complex(1.0)]] : null;
    }
}
