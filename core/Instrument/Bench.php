<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Device\BreakerLaw;
use YellowProbe\Device\ResidualLaw;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Shunts;
use YellowProbe\Installation\State;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Influence;
use YellowProbe\Network\Network;
use YellowProbe\Network\PortNetwork;
use YellowProbe\Network\Screen;

/**
 * One tester on one house in one state: eliminated once, then read for the sound house and for any number of faults.
 *
 * The datum is the tester's return lead (for a clamp, the ground), so that nothing has to be subtracted from the
 * insulation of a floating conductor.
 */
final class Bench
{
    private readonly Network $network;
    private readonly Elimination $elimination;
    private readonly Supply $supply;
    private readonly Excitation $excitation;

    /** @var list<int> */
    private readonly array $leads;

    /** @var list<array{int, int, float, float}> what may conduct at the tester's volts */
    private readonly array $thresholds;

    /** How changes move what is read, once {@see prepare()} was worth it. */
    private ?Influence $influence = null;

    /** What the leads cannot notice, likewise. */
    private ?Screen $screen = null;

    private ?Shown $sound = null;

    /** @var list<array{int, bool}> embraced branches that the state has, and whether each counts backward; one between two embraced cores stands twice */
    private array $embraced = [];

    /** @var array<string, PortNetwork> the ports last asked for: severities of one fault share them */
    private array $ports = [];

    public function __construct(private readonly House $house, State $state, private readonly Instrument $instrument, private readonly Connection $connection, private readonly Factors $factors = new Factors())
    {
        $this->supply = Supply::of($house);
        $this->excitation = $instrument->excitation()->at($this->supply->hertz);
        $this->network = HouseNetwork::build($house, $state, $this->excitation, $factors);
        $leads = [];
        foreach ($connection->terminals as $at => $terminal) {
            if (!$this->network->hasNode($terminal)) {
                throw new HouseError("/terminals/$at", null === $house->joint($terminal) ? \sprintf('There is no terminal "%s" in this house.', $terminal) : \sprintf('"%s" can only be probed while it is lifted.', $terminal));
            }
            $leads[] = $this->network->node($terminal);
        }
        $this->leads = $leads;
        $volts = $this->excitation->directVolts;
        $this->thresholds = array_values(array_filter($this->network->thresholds, static fn (array $threshold): bool => $threshold[2] < $volts));
        $datum = [] === $leads ? $this->network->node(HouseNetwork::GROUND) : $leads[\count($leads) - 1];
        $this->elimination = Elimination::of($this->network, $datum, $this->testPorts());
    }

    /**
     * Spends the time of one more elimination so that most single faults are read in closed form: worth it from some
     * dozens of faults on. What it cannot hold with all its digits is read as before.
     */
    public function prepare(): void
    {
        $this->sound();
        $this->screen = $this->screened();
        $weights = $this->weights();
        if (null !== $weights) {
            $this->influence = Influence::on($this->elimination, $weights);
            foreach ($weights as $weight) {
                foreach (array_keys($weight) as $node) {
                    if (!$this->influence->reaches($node)) {
                        $this->influence = null;

                        return;
                    }
                }
            }
        }
    }

    /** What an ideal specimen shows with a fault (none: the house as surveyed). */
    public function read(?Change $fault = null): Shown
    {
        $fault ??= new Change();
        $resolved = ResolvedChange::of($this->network, $fault, $this->excitation);
        $quick = $this->quick($resolved) ?? ($this->isUnnoticed($resolved) ? $this->sound() : null);
        if (null !== $quick) {
            return $quick;
        }
        $ports = clone $this->portsFor($resolved);
        foreach ($resolved->with as [$a, $b, $y, $j]) {
            $ports->join($a, $b, $y->re, $y->im);
            $ports->drive($a, $b, $j->re, $j->im);
        }
        if ([] === $this->connection->terminals) {
            return $this->embraced($ports, $resolved, $fault);
        }
        if (\count(array_unique($this->leads)) !== \count($this->leads)) {
            // Ideal links have put two leads on one node: there is nothing between them.
            return Unit::Pattern === $this->instrument->unit() ? Shown::levels([0.0, 0.0, 0.0]) : Shown::value(0.0);
        }
        if ($this->instrument instanceof ResidualTester) {
            return $this->acted($this->instrument, $ports, $resolved, $fault);
        }
        if ([] !== $this->thresholds && $this->instrument instanceof DirectOhmmeter) {
            $ports = Thresholds::settled($ports, $this->leads[0], $this->instrument, $this->thresholds);
        }

        return $this->instrument->apply($ports, $this->leads, $this->supply);
    }

    /** @return list<array<int, Complex>>|null by sum: node => weight; null where the tester needs more than sums */
    private function weights(): ?array
    {
        if ([] === $this->connection->terminals) {
            if ($this->instrument instanceof HeatInstrument || $this->instrument instanceof EarthClamps || $this->instrument instanceof DeviceWatch) {
                return null;
            }
            $weights = [];
            $this->embraced = [];
            foreach ($this->connection->around as $signed) {
                $branch = $this->network->branch(substr($signed, 1));
                if (null !== $branch) {
                    $this->embraced[] = [$branch, '-' === $signed[0]];
                    $y = $this->network->admittance($branch);
                    $weights[] = array_diff_key([$this->network->from[$branch] => $y, $this->network->to[$branch] => Complex::zero()->minus($y)], [$this->elimination->datum => true]);
                }
            }

            return $weights;
        }
        $alone = \count(array_unique($this->leads)) === \count($this->leads) && [] === $this->thresholds;
        // Lamps, a transmitter and a loop of two cores join leads among each other; a residual tester needs its device.
        $joins = $this->instrument instanceof PlugInTester || $this->instrument instanceof LeakLocator || $this->instrument instanceof Tracer || $this->instrument instanceof ResidualTester;

        return $alone && !$joins ? [[$this->leads[0] => new Complex(1.0)]] : null;
    }

    /** What the house as surveyed shows. */
    private function sound(): Shown
    {
        return $this->sound ??= $this->read();
    }

    /**
     * What the leads cannot notice: of testers that read no more than what is between their leads.
     */
    private function screened(): ?Screen
    {
        $nodes = array_values(array_unique(\array_slice($this->leads, 0, -1)));
        if ([] === $nodes || \in_array($this->elimination->datum, $nodes, true) || (!$this->instrument instanceof DirectOhmmeter && !$this->instrument instanceof PlugInTester)) {
            return null;
        }
        // What conducts by voltage does so in the sound house; a change that nothing notices leaves it at that.
        $conducting = $this->instrument instanceof DirectOhmmeter && [] !== $this->thresholds ? Thresholds::conducting($this->elimination->ports($this->testPorts(), []), $this->leads[0], $this->instrument, $this->thresholds) : [];

        return Screen::on([] === $conducting ? $this->elimination : Elimination::of($this->network->changed([], $conducting), $this->elimination->datum), $nodes);
    }

    private function isUnnoticed(ResolvedChange $resolved): bool
    {
        if (null === $this->screen || ([] === $resolved->with && [] === $resolved->without)) {
            return false;
        }
        $changes = [];
        foreach ($resolved->without as $branch) {
            $standing = $resolved->standing[$branch] ?? null;
            if (0.0 !== $this->network->jRe[$branch] || 0.0 !== $this->network->jIm[$branch]) {
                return false;
            }
            [$a, $b] = [$this->network->from[$branch], $this->network->to[$branch]];
            $stays = null !== $standing && $standing[0] === $a && $standing[1] === $b;
            $changes[] = [$a, $b, $this->network->admittance($branch)->modulus(), $stays ? $standing[2]->modulus() : 0.0];
        }
        foreach ($resolved->with as [$a, $b, $y, $j]) {
            if (0.0 !== $j->re || 0.0 !== $j->im) {
                return false;
            }
            if ([] === array_filter($resolved->standing, fn (array $standing, int $branch): bool => $standing[0] === $a && $standing[1] === $b && $a === $this->network->from[$branch] && $b === $this->network->to[$branch], \ARRAY_FILTER_USE_BOTH)) {
                $changes[] = [$a, $b, 0.0, $y->modulus()];
            }
        }

        return $this->screen->leavesAlone($changes);
    }

    /** The reading in closed form where the change is one of admittance between two nodes, and enough digits are left. */
    private function quick(ResolvedChange $resolved): ?Shown
    {
        $influence = $this->influence;
        if (null === $influence || \count($resolved->with) > 1 || \count($resolved->without) > 1) {
            return null;
        }
        $branch = $resolved->without[0] ?? null;
        $new = $resolved->with[0] ?? null;
        $a = $b = $this->elimination->datum;
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
        $moved = $a === $b ? array_fill(0, max(1, \count($this->embraced)), [Complex::zero(), Complex::zero()]) : $influence->moved($a, $b, $re, $im);

        return null === $moved ? null : ([] === $this->connection->terminals ? $this->clamped($influence, $moved) : $this->led($influence, $moved));
    }

    /** @param list<array{Complex, Complex}> $moved */
    private function led(Influence $influence, array $moved): ?Shown
    {
        $sound = $influence->response(0, $this->leads[0]);
        $ohms = $sound->plus($moved[0][1]);
        if ($ohms->modulus() < 1e-7 * $sound->modulus()) {
            return null;
        }
        $y = (new Complex(1.0))->over($ohms);
        $j = $influence->sum(0)->plus($moved[0][0])->times($y);
        $ports = new PortNetwork($this->elimination->datum, [$this->leads[0]]);
        $ports->join($this->leads[0], $this->elimination->datum, $y->re, $y->im);
        $ports->inject($this->leads[0], $j->re, $j->im);

        return $this->instrument->apply($ports, $this->leads, $this->supply);
    }

    /** @param list<array{Complex, Complex}> $moved */
    private function clamped(Influence $influence, array $moved): Shown
    {
        $currents = [];
        foreach ($this->embraced as $at => [$branch, $backward]) {
            $currents[] = [$influence->sum($at)->plus($moved[$at][0])->plus($this->network->driven($branch)), $backward];
        }

        return $this->summed($currents);
    }

    /** @param list<array{Complex, bool}> $currents of the embraced conductors, and whether each counts backward */
    private function summed(array $currents): Shown
    {
        $sum = Complex::zero();
        $largest = 0.0;
        foreach ($currents as [$current, $backward]) {
            $sum = $backward ? $sum->minus($current) : $sum->plus($current);
            $largest = max($largest, $current->modulus());
        }
        $amperes = $sum->modulus();

        return $amperes > $this->instrument->scale()->top() ? Shown::over($amperes) : Shown::value($amperes, $largest);
    }

    /** @return list<int> */
    private function testPorts(): array
    {
        $ports = \array_slice($this->leads, 0, -1);
        foreach ($this->connection->around as $signed) {
            $branch = $this->network->branch(substr($signed, 1));
            if (null !== $branch) {
                $ports[] = $this->network->from[$branch];
                $ports[] = $this->network->to[$branch];
            }
        }
        foreach ($this->thresholds as [$a, $b]) {
            $ports[] = $a;
            $ports[] = $b;
        }

        return array_values(array_unique($ports));
    }

    private function portsFor(ResolvedChange $resolved): PortNetwork
    {
        $keep = $this->testPorts();
        foreach ($resolved->without as $branch) {
            $keep[] = $this->network->from[$branch];
            $keep[] = $this->network->to[$branch];
        }
        foreach ($resolved->with as [$a, $b]) {
            $keep[] = $a;
            $keep[] = $b;
        }
        $keep = array_values(array_unique($keep));
        sort($keep);
        $key = implode(',', $keep).'|'.implode(',', $resolved->without);
        if (!isset($this->ports[$key])) {
            $this->ports = [$key => $this->elimination->ports($keep, $resolved->without)];
        }

        return $this->ports[$key];
    }

    /** @return list<array{int, int, Complex, Complex, bool}> embraced branches as they stand with the fault: nodes, admittance, source, counted backward */
    private function aroundNow(ResolvedChange $resolved): array
    {
        $around = [];
        foreach ($this->connection->around as $signed) {
            $branch = $this->network->branch(substr($signed, 1));
            $standing = null === $branch ? null : $resolved->standing[$branch] ?? null;
            if (null === $branch) {
                continue; // nothing flows in a conductor that is lifted or switched off
            }
            if (null !== $standing && $this->hangsBeyond($signed, $resolved)) {
                continue;
            }
            if (null === $standing && \in_array($branch, $resolved->without, true)) {
                // Nor in a broken one, but what its cable couples at the far end now comes through this jaw.
                array_push($around, ...$this->stump($signed, $resolved));
                continue;
            }
            $around[] = [...($standing ?? [$this->network->from[$branch], $this->network->to[$branch], $this->network->admittance($branch), $this->network->driven($branch)]), '-' === $signed[0]];
        }

        return $around;
    }

    /**
     * Whether a leak that was counted at the near end of a core ("+cable/A-B@1" for A, "-" for B) hangs on that core beyond
     * the jaw now, because the core is open between its terminal and the jaw.
     */
    private function hangsBeyond(string $signed, ResolvedChange $resolved): bool
    {
        if (1 !== preg_match('#^([+-])(.+)/([^/-]+)-([^/@]+)@[12]$#', $signed, $match)) {
            return false;
        }
        $core = $this->network->branch("$match[2]/".('+' === $match[1] ? $match[3] : $match[4]));

        return null !== $core && !isset($resolved->standing[$core]) && \in_array($core, $resolved->without, true);
    }

    /** @return list<array{int, int, Complex, Complex, bool}> */
    private function stump(string $signed, ResolvedChange $resolved): array
    {
        [$owner, $key] = explode('/', substr($signed, 1), 2);
        $cable = $this->house->cables[$owner] ?? null;
        $core = $cable?->cores[$key] ?? null;
        $found = [];
        foreach (null === $cable || null === $core ? [] : Shunts::of($cable, $core, '+' === $signed[0] ? 2 : 1) as [$shunt, $isFirst]) {
            $moved = $resolved->standing[$this->network->branch($shunt) ?? -1] ?? null;
            if (null !== $moved) {
                $found[] = [...$moved, !$isFirst];
            }
        }

        return $found;
    }

    private function embraced(PortNetwork $ports, ResolvedChange $resolved, Change $fault): Shown
    {
        if ($this->instrument instanceof EarthClamps) {
            return $this->looped($ports, $resolved);
        }
        $volts = $ports->volts();
        $currents = [];
        $watts = 0.0;
        foreach ($this->aroundNow($resolved) as [$a, $b, $y, $j, $backward]) {
            $drop = ($volts[$a] ?? Complex::zero())->minus($volts[$b] ?? Complex::zero());
            $current = $drop->times($y)->plus($j);
            $currents[] = [$current, $backward];
            $watts += $drop->re * $current->re + $drop->im * $current->im;
        }

        return match (true) {
            $this->instrument instanceof HeatInstrument => Shown::levels([max(0.0, $watts)]),
            $this->instrument instanceof DeviceWatch => $this->watched($currents, $fault),
            default => $this->summed($currents),
        };
    }

    /**
     * What a device sees over what opens it: the residual of its poles, and the current of its line where it is a breaker.
     *
     * @param list<array{Complex, bool}> $currents
     */
    private function watched(array $currents, Change $fault): Shown
    {
        $device = $this->house->parts[explode('/', substr($this->connection->around[0] ?? '', 1))[0]] ?? null;
        if (null === $device) {
            throw new HouseError('/around/0', 'Name the device that is watched: its poles as "+device/L" and "+device/N", of a breaker "+device/L".');
        }
        $level = 0.0;
        if (Protection::isResidual($device)) {
            $level = $this->summed($currents)->value / (ResidualLaw::of($device)->tripAmperes * $this->factors->times('device') * $fault->behaviour($device->id)->threshold);
        }
        if (\in_array($device->kind, ['breaker', 'two-pole-breaker', 'rcbo'], true)) {
            $level = max($level, ...array_map(static fn (array $current): float => $current[0]->modulus() / BreakerLaw::of($device)->holdsAmperes(), $currents));
        }

        return Shown::levels([$level]);
    }

    /** One volt driven around the conductor that is embraced: its loop is 1 V over the current. */
    private function looped(PortNetwork $ports, ResolvedChange $resolved): Shown
    {
        $around = $this->aroundNow($resolved)[0] ?? null;
        if (null === $around) {
            return Shown::over(\INF);
        }
        [$a, $b, $y] = $around;
        $driven = clone $ports;
        $driven->drive($a, $b, $y->re, $y->im);
        if (null === ($driven->volts()[$b] ?? null)) {
            $driven->join($b, $this->elimination->datum, 1.0); // the loop is an island: one tie gives it a voltage, no current
        }
        $volts = $driven->volts();
        $amperes = ($volts[$a] ?? Complex::zero())->minus($volts[$b] ?? Complex::zero())->times($y)->plus($y)->modulus();
        $ohms = $amperes > 0.0 ? 1.0 / $amperes : \INF;

        return $ohms > $this->instrument->scale()->top() ? Shown::over($ohms) : Shown::value($ohms);
    }

    private function acted(ResidualTester $tester, PortNetwork $ports, ResolvedChange $resolved, Change $fault): Shown
    {
        $device = $this->house->parts[explode('/', substr($this->connection->around[0] ?? '', 1))[0]] ?? null;
        if (null === $device) {
            throw new HouseError('/around/0', 'A residual tester acts on a device: give its poles as "+device/L" and "+device/N".');
        }
        $poles = array_map(static fn (array $pole): array => [$pole[0], $pole[1], $pole[2]], $this->aroundNow($resolved));
        $behaviour = $fault->behaviour($device->id);

        return $tester->act($ports, $this->leads, $poles, ResidualLaw::of($device), $behaviour->threshold * $this->factors->times('device'), $behaviour->time, $this->supply);
    }
}
