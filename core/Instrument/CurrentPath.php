<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Supply;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Network;

/**
 * The way that a tester's current takes through a house: a unit current driven between its first and last lead, all
 * sources at rest. Each element's part of the resistance is R·|I_e/I|², which sums to the real part of what the leads see
 * (Tellegen): an exact answer to why it beeps.
 */
final readonly class CurrentPath
{
    /**
     * @param float          $ohms  real part of the impedance between the leads
     * @param list<PathStep> $steps the largest part of the resistance first
     */
    private function __construct(public float $ohms, public array $steps)
    {
    }

    /** @return self without steps where there is no way through, or no leads */
    public static function of(House $house, Measurement $measurement, ?Change $fault = null): self
    {
        $leads = $measurement->connection->terminals;
        if (\count($leads) < 2) {
            return new self(\INF, []);
        }
        $excitation = $measurement->instrument->excitation()->at(Supply::of($house)->hertz);
        $network = HouseNetwork::build($house, $measurement->state, $excitation, probed: $measurement->probed($house));
        $network = ResolvedChange::of($network, $fault ?? new Change(), $excitation)->network();
        $from = $network->node($leads[0]);
        $to = $network->node($leads[\count($leads) - 1]);

        return $from === $to ? new self(0.0, []) : self::driven($network, $from, $to, $leads[0]);
    }

    /** @return array<string, float> element => share of the current, largest first */
    public function shares(float $least = 0.1): array
    {
        $shares = [];
        foreach ($this->steps as $step) {
            if ($step->current >= $least) {
                $shares[$step->element] = $step->current;
            }
        }
        arsort($shares);

        return $shares;
    }

    private static function driven(Network $network, int $from, int $to, string $lead): self
    {
        $passive = $network->drivenBetween($to, $from);
        $elimination = Elimination::of($passive, $to, [$from]);
        [$admittance] = $elimination->ports([$from])->norton($from);
        if ($admittance->modulus() < 1e-13) {
            return new self(\INF, []); // nothing but the driving branch joins the leads
        }
        $solution = $elimination->solve();
        $volts = $solution->volts($lead);
        // The driving branch itself is part of the port: what is left of 1 A flows through the house.
        $through = null === $volts ? 0.0 : $volts->times($admittance)->modulus();
        $total = $admittance->re / $admittance->modulus() ** 2;
        $steps = [];
        foreach (array_map(strval(...), array_keys($network->elements)) as $element) {
            $share = ($solution->amperes($element)?->modulus() ?? 0.0) / max(1e-30, $through);
            $y = $network->admittance((int) $network->branch($element));
            $ohms = $share ** 2 * $y->re / $y->modulus() ** 2;
            // The leads are at V and 0, V·Y flows: beside a way of gigohms the drop along a bar is lost in the last digit of its volts: no share can be told.
            if ($share > max(1e-6, 16.0 * \PHP_FLOAT_EPSILON * $y->modulus() / $admittance->modulus())) {
                $steps[] = new PathStep($element, $share, $ohms, $total > 0.0 ? $ohms / $total : 0.0);
            }
        }
        usort($steps, static fn (PathStep $a, PathStep $b): int => [$b->ohms, $a->element] <=> [$a->ohms, $b->element]);

        return new self($total, $steps);
    }
}
