<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Influence;
use YellowProbe\Network\Movement;
use YellowProbe\Network\Network;
use YellowProbe\Network\PortNetwork;

/** Readings of faults that change a few elements, from the sound house's voltages and impedances: a formula each. */
final readonly class ClosedForm
{
    /** What rounding may be of a reading, and from which volts, amperes and shares on. */
    private const UNSEEN = 1e-5;
    private const FROM = 1e-3;

    /** Of an impedance, or of the product of two: below it too few digits are left of a difference. */
    private const FEW_DIGITS = 1e-7;

    /** Of an impedance, what rounding leaves of it; of the last digit of a display, what is nothing to it. */
    private const ROUNDING = 1e-12;
    private const UNSHOWN = 1e-4;

    /**
     * @param list<int>                              $leads      but the return; empty for a jaw
     * @param list<array{int, bool}>                 $embraced   branches that the state has, and whether each counts backward; one between two embraced cores stands twice
     * @param array<int, true>                       $within     the same branches
     * @param list<array{int, int, float, float}>    $thresholds what may conduct at the tester's volts
     * @param array<int, int>                        $conducting which of them do in the sound house: {@see Thresholds::conducting()}
     */
    private function __construct(private Network $network, private int $datum, private Influence $influence, private Instrument $instrument, private array $leads, private Supply $supply, private Passing $passing, private array $embraced, private array $within, private array $thresholds, private array $conducting)
    {
    }

    /**
     * @param Network                             $network    what conducts by voltage stands in it as it does in the sound house
     * @param list<int>                           $leads      the return last
     * @param list<array{int, int, float, float}> $thresholds
     * @param array<int, int>                     $conducting
     *
     * @return self|null null where the tester needs more than sums, or a node of them has no way to the datum
     */
    public static function on(Network $network, Elimination $elimination, Instrument $instrument, Connection $connection, array $leads, Supply $supply, Passing $passing, array $thresholds, array $conducting): ?self
    {
        if ($instrument instanceof EarthClamps || \count(array_unique($leads)) !== \count($leads)) {
            return null;
        }
        // Lamps and a transmitter join leads among each other; other testers read between two.
        $joins = $instrument instanceof PlugInTester || $instrument instanceof Tracer;
        $read = $joins ? \array_slice($leads, 0, -1) : \array_slice($leads, 0, 1);
        $jaw = Jaw::weights($network, $elimination->datum, $connection->around);
        $weights = array_map(static fn (int $lead): array => [$lead => new Complex(1.0)], $read);
        if ($instrument instanceof ResidualTester) {
            $weights[] = self::together(array_column($jaw, 1));
        } elseif ($instrument instanceof LeakLocator) {
            $weights[] = [$leads[0] => new Complex(1.0), $leads[1] => new Complex(-1.0)];
        } elseif ([] === $leads) {
            $weights = array_column($jaw, 1);
        }
        $influence = Influence::on($elimination, [...$weights, ...self::across($thresholds, $elimination)], \count($read));
        foreach ($weights as $weight) {
            foreach (array_keys($weight) as $node) {
                if (!$influence->reaches($node)) {
                    return null;
                }
            }
        }
        foreach ($thresholds as [$a, $b]) {
            if ($influence->reaches($a) !== $influence->reaches($b)) {
                return null;
            }
        }
        $embraced = [];
        foreach ([] === $leads || $instrument instanceof ResidualTester ? $connection->around : [] as $signed) {
            $branch = $network->branch(substr($signed, 1));
            if (null !== $branch) {
                $embraced[] = [$branch, '-' === $signed[0]];
            }
        }

        return new self($network, $elimination->datum, $influence, $instrument, $read, $supply, $passing, $embraced, array_fill_keys(array_column($embraced, 0), true), $thresholds, $conducting);
    }

    /**
     * The reading in closed form, where enough digits are left, the jaw is around what it was around and by voltage nothing else conducts.
     *
     * @param list<array{int, int, float, float, float, float, float, float, int}> $differences {@see ResolvedChange::differences()}
     */
    public function read(array $differences, Change $fault): ?Shown
    {
        $changes = [];
        foreach ($differences as [$a, $b, $wasRe, $wasIm, $isRe, $isIm, $jRe, $jIm, $branch]) {
            if (isset($this->within[$branch])) {
                return null;
            }
            if ($a !== $b && ($isRe !== $wasRe || $isIm !== $wasIm || 0.0 !== $jRe || 0.0 !== $jIm)) {
                $changes[] = [$a, $b, $isRe - $wasRe, $isIm - $wasIm, $jRe, $jIm];
            }
        }
        $moved = $this->influence->moved($changes);

        return null === $moved ? null : match (true) {
            [] === $this->leads => $this->clamped($moved, $fault),
            1 === \count($this->leads) => $this->led($moved, $fault),
            default => $this->joined($moved),
        };
    }

    /**
     * The reading with small changes of many elements together, to first order; null of a tester that joins its leads.
     *
     * @param array<int, array{Complex, Complex}> $elements branch => its admittance and the Norton current of its source as they then are
     */
    public function leaning(array $elements): ?Shown
    {
        if ([] === $this->leads ? $this->instrument instanceof PatternInstrument : \count($this->leads) > 1 || $this->instrument instanceof ResidualTester || $this->instrument instanceof LeakLocator) {
            return null;
        }
        $changes = [];
        foreach ($elements as $branch => [$y, $j]) {
            $changes[] = [$this->network->from[$branch], $this->network->to[$branch], $y->re - $this->network->yRe[$branch], $y->im - $this->network->yIm[$branch], $j->re - $this->network->jRe[$branch], $j->im - $this->network->jIm[$branch]];
        }
        $leaning = $this->influence->leaning($changes);
        if ([] !== $this->leads) {
            // Admittances that lie side by side add up: first order in the admittance is true of large changes of leaks as well.
            $sound = $this->influence->response(0, $this->leads[0]);
            $behind = $sound->minus($leaning[0][1]);
            if ($behind->modulus() < self::FEW_DIGITS * $sound->modulus()) {
                return null;
            }

            return $this->between($this->influence->sum(0)->plus($leaning[0][0]), $sound->times($sound)->over($behind));
        }
        foreach ($this->embraced as $at => [$branch]) {
            if (isset($elements[$branch])) {
                // An embraced conductor that is changed itself carries more by what it is, too.
                [$y, $j] = $elements[$branch];
                $gained = $y->minus($this->network->admittance($branch))->times($this->influence->across($this->network->from[$branch], $this->network->to[$branch]))->plus($j->minus($this->network->driven($branch)));
                $leaning[$at] = [$leaning[$at][0]->plus($gained)];
            }
        }

        return $this->clamped(new Movement($leaning, 0.0), new Change());
    }

    private function led(Movement $moved, Change $fault): ?Shown
    {
        $lead = $this->leads[0];
        $ohms = $this->influence->response(0, $lead)->plus($moved->of(0, 1));
        if (!$moved->isSure(0, 1, $ohms->modulus(), self::UNSEEN)) {
            $isNothing = $this->instrument instanceof DirectOhmmeter && $ohms->modulus() + self::ROUNDING * $this->influence->response(0, $lead)->modulus() < self::UNSHOWN * $this->instrument->scale()->finest();

            return $isNothing ? Shown::value(0.0) : null;
        }
        $volts = $this->influence->sum(0)->plus($moved->of(0));
        if (!$moved->isSure(0, 0, max($volts->modulus(), self::FROM), self::UNSEEN)) {
            return null;
        }
        if ($this->instrument instanceof ResidualTester) {
            return $this->acted($this->instrument, $moved, $volts, $ohms, $fault);
        }
        if ($this->instrument instanceof LeakLocator) {
            $along = $this->influence->response(1, $lead)->plus($moved->of(1, 1))->modulus();

            return $moved->isSure(1, 1, max($along, self::FROM), self::UNSEEN) ? $this->instrument->placed($ohms->modulus(), $along) : null;
        }

        return $this->conductsAsBefore($moved, $volts, $ohms) ? $this->between($volts, $ohms) : null;
    }

    private function acted(ResidualTester $tester, Movement $moved, Complex $volts, Complex $ohms, Change $fault): ?Shown
    {
        $standing = $this->influence->sum(1)->plus($moved->of(1));
        $share = $this->influence->response(1, $this->leads[0])->plus($moved->of(1, 1));
        if (!$moved->isSure(1, 0, max($standing->modulus(), self::FROM), self::UNSEEN) || !$moved->isSure(1, 1, max($share->modulus(), self::FROM), self::UNSEEN)) {
            return null;
        }
        $siemens = (new Complex(1.0))->over($ohms);

        return $this->passing->acted($tester, $siemens, $volts->times($siemens), $standing, $share, $fault);
    }

    private function conductsAsBefore(Movement $moved, Complex $volts, Complex $ohms): bool
    {
        if ([] === $this->thresholds || !$this->instrument instanceof DirectOhmmeter) {
            return true;
        }
        $amperes = ($this->instrument->voltsOn(1.0 / $ohms->re, $volts->re / $ohms->re) - $volts->re) / $ohms->re;
        $across = [];
        foreach (array_keys($this->thresholds) as $at) {
            $sum = 1 + $at;
            $across[] = $this->influence->sum($sum)->plus($moved->of($sum))->re + $amperes * $this->influence->response($sum, $this->leads[0])->plus($moved->of($sum, 1))->re;
        }

        return null === Thresholds::wrong($this->thresholds, $this->conducting, $across);
    }

    /** What the tester shows with these volts behind these ohms between its leads. */
    private function between(Complex $volts, Complex $ohms): Shown
    {
        $y = (new Complex(1.0))->over($ohms);
        $j = $volts->times($y);
        $ports = new PortNetwork($this->datum, [$this->leads[0]]);
        $ports->join($this->leads[0], $this->datum, $y->re, $y->im);
        $ports->inject($this->leads[0], $j->re, $j->im);

        return $this->instrument->apply($ports, [$this->leads[0], $this->datum], $this->supply);
    }

    /** What a tester of three leads shows: Z of two of them to the third, turned about. */
    private function joined(Movement $moved): ?Shown
    {
        [$one, $other] = $this->leads;
        $own = $this->influence->response(0, $one)->plus($moved->of(0, 1));
        $mutual = $this->influence->response(0, $other)->plus($moved->of(0, 2));
        $others = $this->influence->response(1, $other)->plus($moved->of(1, 2));
        $volts = [$this->influence->sum(0)->plus($moved->of(0)), $this->influence->sum(1)->plus($moved->of(1))];
        $determinant = $own->times($others)->minus($mutual->times($mutual));
        $product = $own->modulus() * $others->modulus();
        if ($determinant->modulus() <= self::FEW_DIGITS * $product || !$moved->isSure(0, 1, $determinant->modulus() / $product * $own->modulus(), self::UNSEEN) || !$moved->isSure(1, 2, $determinant->modulus() / $product * $others->modulus(), self::UNSEEN)
            || !$moved->isSure(0, 0, max($volts[0]->modulus(), self::FROM), self::UNSEEN) || !$moved->isSure(1, 0, max($volts[1]->modulus(), self::FROM), self::UNSEEN)) {
            return null;
        }
        $ports = new PortNetwork($this->datum, $this->leads);
        foreach ([[$one, $this->datum, $others->minus($mutual)], [$other, $this->datum, $own->minus($mutual)], [$one, $other, $mutual]] as [$a, $b, $share]) {
            $y = $share->over($determinant);
            $ports->join($a, $b, $y->re, $y->im);
        }
        foreach ([[$one, $others->times($volts[0])->minus($mutual->times($volts[1]))], [$other, $own->times($volts[1])->minus($mutual->times($volts[0]))]] as [$lead, $share]) {
            $j = $share->over($determinant);
            $ports->inject($lead, $j->re, $j->im);
        }

        return $this->instrument->apply($ports, [$one, $other, $this->datum], $this->supply);
    }

    private function clamped(Movement $moved, Change $fault): ?Shown
    {
        $currents = [];
        $sum = Complex::zero();
        $gained = 0.0;
        foreach ($this->embraced as $at => [$branch, $backward]) {
            $carried = $this->influence->sum($at)->plus($moved->of($at));
            $current = $carried->plus($this->network->driven($branch));
            $currents[] = [$current, $backward, $carried->over($this->network->admittance($branch))];
            $sum = $backward ? $sum->minus($current) : $sum->plus($current);
            $gained += $moved->of($at)->modulus();
        }

        return $moved->rounding * $gained > self::UNSEEN * max($sum->modulus(), self::FROM) ? null : $this->passing->shown($currents, $fault);
    }

    /**
     * @param list<array<int, Complex>> $weights
     *
     * @return array<int, Complex>
     */
    private static function together(array $weights): array
    {
        $sum = [];
        foreach ($weights as $weight) {
            foreach ($weight as $node => $factor) {
                $sum[$node] = isset($sum[$node]) ? $sum[$node]->plus($factor) : $factor;
            }
        }

        return $sum;
    }

    /**
     * The volts across what may conduct, as sums; on an island nothing.
     *
     * @param list<array{int, int, float, float}> $thresholds
     *
     * @return list<array<int, Complex>>
     */
    private static function across(array $thresholds, Elimination $elimination): array
    {
        [, , $floating] = $elimination->voltages();

        return array_map(static fn (array $threshold): array => ($floating[$threshold[0]] || $floating[$threshold[1]]) ? [] : array_diff_key([$threshold[0] => new Complex(1.0), $threshold[1] => new Complex(-1.0)], [$elimination->datum => true]), $thresholds);
    }
}
