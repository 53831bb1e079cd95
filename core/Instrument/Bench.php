<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
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

    /** @var list<int> */
    private readonly array $leads;

    /** @var array<string, PortNetwork> the ports last asked for: severities of one fault share them */
    private array $ports = [];

    public function __construct(House $house, State $state, private readonly Instrument $instrument, private readonly Connection $connection, Factors $factors = new Factors())
    {
        $this->network = HouseNetwork::build($house, $state, $instrument->excitation(), $factors);
        $leads = [];
        foreach ($connection->terminals as $at => $terminal) {
            if (!$this->network->hasNode($terminal)) {
                throw new HouseError("/terminals/$at", \sprintf('"%s" can only be probed while it is lifted.', $terminal));
            }
            $leads[] = $this->network->node($terminal);
        }
        $this->leads = $leads;
        $datum = [] === $leads ? $this->network->node(HouseNetwork::GROUND) : $leads[\count($leads) - 1];
        $this->elimination = Elimination::of($this->network, $datum, $this->testPorts());
    }

    /** What an ideal specimen shows with a fault (none: the house as surveyed). */
    public function read(?Change $fault = null): Shown
    {
        $resolved = ResolvedChange::of($this->network, $fault ?? new Change());
        $ports = clone $this->portsFor($resolved);
        foreach ($resolved->with as [$a, $b, $y]) {
            $ports->join($a, $b, $y->re, $y->im);
        }
        if ([] === $this->connection->terminals) {
            return $this->embraced($ports, $resolved);
        }
        if (1 !== \count(array_unique($this->leads)) && \count(array_unique($this->leads)) === \count($this->leads)) {
            return $this->instrument->apply($ports, $this->leads);
        }

        // Ideal links have put two leads on one node: there is nothing between them.
        return Unit::Pattern === $this->instrument->unit() ? Shown::lamps([0.0, 0.0, 0.0]) : Shown::value(0.0);
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

    private function embraced(PortNetwork $ports, ResolvedChange $resolved): Shown
    {
        $volts = $ports->volts();
        $sum = Complex::zero();
        $largest = 0.0;
        foreach ($this->connection->around as $signed) {
            $branch = $this->network->branch(substr($signed, 1));
            $standing = null === $branch ? null : $resolved->standing[$branch] ?? null;
            if (null === $branch || (null === $standing && \in_array($branch, $resolved->without, true))) {
                continue; // nothing flows in a conductor that is lifted, switched off or broken
            }
            [$a, $b, $y] = $standing ?? [$this->network->from[$branch], $this->network->to[$branch], $this->network->admittance($branch)];
            $current = ($volts[$a] ?? Complex::zero())->minus($volts[$b] ?? Complex::zero())->times($y);
            $sum = '-' === $signed[0] ? $sum->minus($current) : $sum->plus($current);
            $largest = max($largest, $current->modulus());
        }
        $amperes = $sum->modulus();

        return $amperes > $this->instrument->scale()->top() ? Shown::over($amperes) : Shown::value($amperes, $largest);
    }
}
