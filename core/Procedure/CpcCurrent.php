<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;

final readonly class CpcCurrent extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('cpc-current');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $around = ResidualClamp::conductors($house, $circuit, 'E');
            if ([] !== $around->around) {
                $plans[] = $this->plan($circuit, "Clamp around the cpc of {$house->circuits[$circuit]->name}, house as it is", State::resting($house), 'leakage-clamp', $around);
            }
        }

        return $plans;
    }
}
