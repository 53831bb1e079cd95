<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\LatelyBuilt;
use YellowProbe\Installation\State;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Network;
use YellowProbe\Network\PortNetwork;

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
    private readonly Jaw $jaw;
    private readonly Passing $passing;

    /** @var list<string> landed joints that it has a lead on the conductor's side of */
    private readonly array $probed;

    /** @var list<int> */
    private readonly array $leads;

    /** @var list<array{int, int, float, float}> what may conduct at the tester's volts */
    private readonly array $thresholds;

    /** What is read without working it out, once {@see prepare()} was worth it. */
    private ?ClosedForm $closedForm = null;

    /** @var array<int, int> beyond the tester's volts in the sound house: {@see Thresholds::conducting()} */
    private array $conducting = [];
    private ?BlindSpot $blind = null;
    private ?Shown $sound = null;

    /** @var array<string, PortNetwork> the ports last asked for: severities of one fault share them */
    private array $ports = [];

    /** @param self|null $beside the same tester in the same house and state, its leads elsewhere or some factors off: what it has worked out is used again */
    public function __construct(private readonly House $house, private readonly State $state, private readonly Instrument $instrument, private readonly Connection $connection, private readonly Factors $factors = new Factors(), ?self $beside = null)
    {
        $this->supply = Supply::of($house);
        $this->excitation = $instrument->excitation()->at($this->supply->hertz);
        $this->probed = $connection->probed($house, $state, $instrument);
        $this->network = $factors === $beside?->factors && $this->probed === $beside->probed ? $beside->network : LatelyBuilt::network($house, $state, $this->excitation, $factors, $this->probed);
        $this->passing = new Passing($house, $instrument, $connection, $factors, $this->supply);
        $this->jaw = new Jaw($house, $this->network, $connection->around);
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
        $alike = $datum === $beside?->elimination->datum ? $beside->elimination : null;
        $this->elimination = $this->network === $alike?->network ? $alike : $alike?->like($this->network) ?? Elimination::of($this->network, $datum, $this->testPorts());
    }

    /** The same tester in the same house, its leads elsewhere. */
    public function moved(Connection $connection): self
    {
        return new self($this->house, $this->state, $this->instrument, $connection, $this->factors, $this);
    }

    /** The same tester where it is, with factors of the survey off. */
    public function off(Factors $factors): self
    {
        return new self($this->house, $this->state, $this->instrument, $this->connection, $factors, $this);
    }

    /**
     * Spends the time of one more elimination so that most single faults are read in closed form: worth it from some
     * dozens of faults on. What it cannot hold with all its digits is read as before.
     *
     * @param bool $screens whether faults will be read that the tester does not notice, as it is with a whole catalogue
     */
    public function prepare(bool $screens = true): void
    {
        $this->sound = $this->read();
        $this->conducting = $this->instrument instanceof DirectOhmmeter && [] !== $this->thresholds ? Thresholds::conducting($this->elimination->ports($this->testPorts(), []), $this->leads[0], $this->instrument, $this->thresholds) : [];
        $network = [] === $this->conducting ? $this->network : $this->network->changed([], Thresholds::branches($this->thresholds, $this->conducting));
        $elimination = [] === $this->conducting ? $this->elimination : Elimination::of($network, $this->elimination->datum);
        $this->closedForm = ClosedForm::on($network, $elimination, $this->instrument, $this->connection, $this->leads, $this->supply, $this->passing, $this->thresholds, $this->conducting);
        $this->blind = !$screens ? null : BlindSpot::on($this->network, $elimination, $this->instrument, $this->connection, $this->leads);
    }

    /**
     * What the sound house would show with a factor of the survey off by so much, to first order; null where that cannot be
     * had without eliminating again. Only of a prepared bench.
     */
    public function leaning(string $factor, float $log): ?Shown
    {
        if (null === $this->closedForm) {
            return null;
        }
        $then = LatelyBuilt::touched($this->house, $this->state, $this->excitation, $factor, $log, $this->probed);
        $elements = [];
        foreach ($then->elements as $element => $branch) {
            $own = $this->network->branch((string) $element);
            if (null !== $own && ($then->yRe[$branch] !== $this->network->yRe[$own] || $then->yIm[$branch] !== $this->network->yIm[$own] || $then->jRe[$branch] !== $this->network->jRe[$own] || $then->jIm[$branch] !== $this->network->jIm[$own])) {
                $elements[$own] = [$then->admittance($branch), $then->driven($branch)];
            }
        }

        return $this->closedForm->leaning($elements);
    }

    /** Whether it is known without working it out that the reading is the sound house's. Only of a prepared bench. */
    public function isBlindTo(?Change $fault): bool
    {
        return null === $fault || (null !== $this->blind && !$fault->actsOnDevices() && $this->blind->covers(ResolvedChange::of($this->network, $fault, $this->excitation)->differences()));
    }

    /** What an ideal specimen shows with a fault (none: the house as surveyed). */
    public function read(?Change $fault = null): Shown
    {
        $fault ??= new Change();
        $resolved = ResolvedChange::of($this->network, $fault, $this->excitation);
        if (null !== $this->closedForm || null !== $this->blind) {
            $differences = $resolved->differences();
            $quick = $fault->actsOnDevices() || true !== $this->blind?->covers($differences) ? $this->closedForm?->read($differences, $fault) : $this->sound;
            if (null !== $quick) {
                return $quick;
            }
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
            $ports = Thresholds::settled($ports, $this->leads[0], $this->instrument, $this->thresholds, $this->conducting);
        }

        return $this->instrument->apply($ports, $this->leads, $this->supply);
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

    private function embraced(PortNetwork $ports, ResolvedChange $resolved, Change $fault): Shown
    {
        if ($this->instrument instanceof EarthClamps) {
            return $this->looped($ports, $resolved);
        }
        $volts = $ports->volts();
        $currents = [];
        foreach ($this->jaw->embraced($resolved) as [$a, $b, $y, $j, $backward]) {
            $drop = ($volts[$a] ?? Complex::zero())->minus($volts[$b] ?? Complex::zero());
            $currents[] = [$drop->times($y)->plus($j), $backward, $drop];
        }

        return $this->passing->shown($currents, $fault);
    }

    /** One volt driven around the conductor that is embraced: its loop is 1 V over the current. */
    private function looped(PortNetwork $ports, ResolvedChange $resolved): Shown
    {
        $around = $this->jaw->embraced($resolved)[0] ?? null;
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
        [$siemens, $amperes] = $ports->norton($this->leads[0]);
        $standing = $this->residual($ports, $resolved);
        $driven = clone $ports;
        $driven->inject($this->leads[0], 1.0);

        return $this->passing->acted($tester, $siemens, $amperes, $standing, $this->residual($driven, $resolved)->minus($standing), $fault);
    }

    /** Of the poles of the device that is made to act. */
    private function residual(PortNetwork $ports, ResolvedChange $resolved): Complex
    {
        $volts = $ports->volts();
        $sum = Complex::zero();
        foreach ($this->jaw->embraced($resolved) as [$a, $b, $y]) {
            $sum = $sum->plus(($volts[$a] ?? Complex::zero())->minus($volts[$b] ?? Complex::zero())->times($y));
        }

        return $sum;
    }
}
