<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;

/** The cpc of a circuit, as the house is and with a load at one of its points: amps come back in it where neutral and earth are exchanged or joined. */
final readonly class CpcCurrent extends EnteredTest
{
    /** The load is elsewhere than the clamp: there and back. */
    private const WITH_A_LOAD_MINUTES = 1.5;

    public function __construct()
    {
        parent::__construct('cpc-current');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $around = ResidualClamp::conductors($house, $circuit, Role::Earth);
            if ([] === $around->around) {
                continue;
            }
            $words = "Clamp around the cpc of {$house->circuits[$circuit]->name}";
            $plans[] = $this->plan($circuit, "$words, house as it is", State::resting($house), 'leakage-clamp', $around);
            foreach (TestPoint::all($house) as $point) {
                $state = $house->circuitOfPart($point->part->id) === $circuit ? $point->drawing() : null;
                if (null !== $state) {
                    $plans[] = $this->plan("$circuit:$point->id", "$words with {$point->loadWords()}", $state, 'leakage-clamp', $around, self::WITH_A_LOAD_MINUTES);
                }
            }
        }

        return $plans;
    }
}
