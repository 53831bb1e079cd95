<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;

final readonly class NeutralOfOffCircuit extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('neutral-of-off-circuit');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $around = ResidualClamp::conductors($house, $circuit, Role::Neutral);
            $loads = States::neighboursLoaded($house, $circuit);
            if ([] !== $around->around && [] !== $loads) {
                $plans[] = $this->plan($circuit, "Clamp around the neutral of {$house->circuits[$circuit]->name}, its device off, neighbours loaded", State::resting($house)->after(States::deviceOff($house, $circuit), ...$loads), 'clamp', $around);
            }
        }

        return $plans;
    }
}
