<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;

final readonly class FaultCurrent extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('ipf');
    }

    public function plans(House $house): array
    {
        $plans = [];
        $earth = EarthWires::main($house);
        foreach ($house->partsOfKind('service') as $service) {
            $pairs = 'split' === $service->attributes->string('system') ? [['L1', 'N'], ['L2', 'N'], ['L1', 'L2']] : [['L', 'N'], ['L', 'E']];
            foreach ($pairs as [$a, $b]) {
                $plans[] = $this->plan("$service->id:$a-$b", "Loop {$a}–{$b} at the incoming terminals, for the prospective fault current", States::boardOff($house), 'loop-2-wire', Connection::leads($service->terminal($a), 'E' === $b && null !== $earth ? $earth : $service->terminal($b)));
            }
        }

        return $plans;
    }
}
