<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final readonly class ResidualPair extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('residual-pair');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('light') as $light) {
            $state = State::resting($house)->after(...States::lightOn($light));
            $own = $house->circuitOfPart($light->id);
            foreach (States::circuits($house) as $circuit) {
                // The light's own circuit, and the circuits it may have taken a neutral from: other lights.
                if ($circuit === $own || 'lighting' === $house->circuits[$circuit]->claim) {
                    $plans[] = new TestPlan("residual-pair:$light->id:$circuit", $this, "Clamp around line and neutral of {$house->circuits[$circuit]->name} with $light->name on", new Measurement($state, Instruments::get('leakage-clamp'), ResidualClamp::liveConductors($house, $circuit)), 1.0);
                }
            }
        }

        return [...$plans, ...$this->everyLightOn($house)];
    }

    /**
     * One look at each device with all lights on: silent, it clears every light behind it at once.
     *
     * @return list<TestPlan>
     */
    private function everyLightOn(House $house): array
    {
        $on = [];
        foreach ($house->partsOfKind('light') as $light) {
            array_push($on, ...States::lightOn($light));
        }
        $state = State::resting($house)->after(...$on);
        $plans = [];
        foreach ([] === $on ? [] : $house->partsOfKind('residual-device', 'rcbo') as $device) {
            $plans[] = new TestPlan("residual-pair:all:$device->id", $this, "Clamp around line and neutral of $device->name with every light on", new Measurement($state, Instruments::get('leakage-clamp'), Connection::around("+$device->id/L", "+$device->id/N")), 1.5);
        }

        return $plans;
    }
}
