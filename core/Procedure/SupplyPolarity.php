<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Instrument\Connection;

final readonly class SupplyPolarity extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('supply-polarity');
    }

    public function plans(House $house): array
    {
        $plans = [];
        $earth = EarthWires::main($house);
        foreach ($house->partsOfKind('service') as $service) {
            $lines = 'split' === $service->attributes->string('system') ? ['L1', 'L2'] : ['L'];
            $pairs = [['N', 'E']];
            foreach ($lines as $line) {
                array_push($pairs, [$line, 'N'], [$line, 'E']);
            }
            foreach (2 === \count($lines) ? [...$pairs, ['L1', 'L2']] : $pairs as [$a, $b]) {
                $plans[] = $this->plan("$service->id:$a-$b", "Incoming volts {$a}–{$b}, main off", States::boardOff($house), 'voltmeter-high-z', Connection::leads(self::incoming($house, $service->terminal($a)), 'E' === $b && null !== $earth ? $earth : self::incoming($house, $service->terminal($b))), 0.7);
            }
            if (null !== $earth) {
                $plans[] = $this->plan("$service->id:true-earth", 'Volts from the main earthing terminal to a ground spike, main off', States::boardOff($house), 'voltmeter-low-z', Connection::leads($earth, HouseNetwork::GROUND), 5.0);
            }
        }

        return $plans;
    }

    /** Where the tail from a terminal of the supply ends: at the main switch, behind whatever was done to the tails. */
    private static function incoming(House $house, string $terminal): string
    {
        foreach ($house->wiring->landedOn($terminal) as [$core, $end]) {
            return $core->ends[2 - $end] ?? $terminal;
        }

        return $terminal;
    }
}
