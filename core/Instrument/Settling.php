<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Network\Elimination;

/**
 * How long an insulation tester has to press on before its reading stands: what lies between its leads has to be charged
 * with the milliampere it gives, t = C·U/I; what absorbs in a long cable is not in it. And as long to discharge.
 */
final class Settling
{
    private const AMPERES = 1e-3;
    private const HERTZ = 1.0;

    /** @return float seconds; 0 for other testers */
    public static function seconds(House $house, Measurement $measurement): float
    {
        $tester = $measurement->instrument;
        if (!$tester instanceof InsulationTester) {
            return 0.0;
        }
        // Slow enough that the resistances of conductors are nothing beside the capacitances.
        $network = HouseNetwork::build($house, $measurement->state, Excitation::tester(self::HERTZ));
        [$a, $b] = array_map($network->node(...), $measurement->connection->terminals);
        if ($a === $b) {
            return 0.0;
        }
        [$siemens] = Elimination::of($network, $b, [$a])->ports([$a])->norton($a);
        $farads = max(0.0, $siemens->im) / (2.0 * \M_PI * self::HERTZ);

        return $farads * $tester->excitation()->directVolts / self::AMPERES;
    }
}
