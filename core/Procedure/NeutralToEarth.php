<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;

final readonly class NeutralToEarth extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('neutral-to-earth');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $neutral = BoardEnds::neutralsAtBoard($house, $circuit)[0] ?? null;
            $earth = BoardEnds::earthAtBoard($house, $circuit);
            if (null !== $neutral && null !== $earth) {
                $state = States::boardOff($house, States::deviceOff($house, $circuit), ...States::neutralLifted($house, $circuit));
                $plans[] = $this->plan($circuit, "Neutral of {$house->circuits[$circuit]->name}, lifted, to earth", $state, 'insulation-tester-250', Connection::leads($neutral, $earth));
            }
        }

        return $plans;
    }
}
