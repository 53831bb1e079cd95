<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final readonly class LineToOtherNeutral extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('line-to-other-neutral');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('light') as $light) {
            $a = $house->circuitOfPart($light->id);
            if (null === $a || 'filament' !== $light->attributes->string('lamp', 'filament')) {
                continue;
            }
            foreach (States::circuits($house) as $b) {
                $neutral = BoardEnds::neutralsAtBoard($house, $b)[0] ?? null;
                if ($b !== $a && null !== $neutral) {
                    $plans[] = $this->between($house, $light, $a, $b, $neutral);
                }
            }
        }

        return $plans;
    }

    private function between(House $house, Part $light, string $a, string $b, string $neutral): TestPlan
    {
        $state = States::boardOff($house, States::deviceOff($house, $a), States::deviceOff($house, $b), ...States::neutralLifted($house, $a), ...States::neutralLifted($house, $b), ...States::lightOn($light));

        return new TestPlan(
            "line-to-other-neutral:$light->id:$b",
            $this,
            "Line of {$house->circuits[$a]->name} to neutral of {$house->circuits[$b]->name}, $light->name switched on, neutrals lifted",
            new Measurement($state, Instruments::get('low-ohm'), Connection::leads(BoardEnds::lineFeeding($house, $a, $light->terminal('SL')), $neutral)),
            1.5,
        );
    }
}
