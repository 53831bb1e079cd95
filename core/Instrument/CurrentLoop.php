<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Network\Elimination;

/** The loop that a tester's current takes: a unit current driven between its first and last lead, all sources at rest. */
final class CurrentLoop
{
    /** @return array<string, float> element => share of the current, largest first; empty where there is no way through */
    public static function of(House $house, Measurement $measurement, float $least = 0.1): array
    {
        $leads = $measurement->connection->terminals;
        if (\count($leads) < 2) {
            return [];
        }
        $network = HouseNetwork::build($house, $measurement->state, $measurement->instrument->excitation());
        $from = $network->node($leads[0]);
        $to = $network->node($leads[\count($leads) - 1]);
        if ($from === $to) {
            return [];
        }
        $passive = $network->drivenBetween($to, $from);
        $elimination = Elimination::of($passive, $to, [$from]);
        [$admittance] = $elimination->ports([$from])->norton($from);
        if ($admittance->modulus() < 1e-13) {
            return []; // nothing but the driving branch joins the leads: there is no loop
        }
        $solution = $elimination->solve();
        $volts = $solution->volts($leads[0]);
        // The driving branch itself is part of the port: what is left of 1 A flows through the house.
        $through = null === $volts ? 0.0 : $volts->times($admittance)->modulus();
        $shares = [];
        foreach (array_keys($network->elements) as $element) {
            $amperes = $solution->amperes((string) $element)?->modulus() ?? 0.0;
            if ($through > 0.0 && $amperes >= $least * $through) {
                $shares[(string) $element] = $amperes / $through;
            }
        }
        arsort($shares);

        return $shares;
    }
}
