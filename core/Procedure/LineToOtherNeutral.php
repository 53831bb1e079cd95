<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final class LineToOtherNeutral implements Procedure
{
    public function slug(): string
    {
        return 'line-to-other-neutral';
    }

    public function words(): string
    {
        return 'Line to another circuit’s neutral';
    }

    public function hazard(): string
    {
        return 'Clamp before you part a neutral; amps forbid it and 0 A does not free it. Whole board dead, locked, proved.';
    }

    public function cannotShow(): string
    {
        return 'Electronic loads; lines joined by breakers left on.';
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
                $neutral = States::neutralsAtBoard($house, $b)[0] ?? null;
                if ($b !== $a && null !== $neutral) {
                    $plans[] = $this->plan($house, $light, $a, $b, $neutral);
                }
            }
        }

        return $plans;
    }

    private function plan(House $house, Part $light, string $a, string $b, string $neutral): TestPlan
    {
        $state = States::boardOff($house, States::deviceOff($house, $a), States::deviceOff($house, $b), ...States::neutralLifted($house, $a), ...States::neutralLifted($house, $b), ...States::lightOn($light));

        return new TestPlan(
            "line-to-other-neutral:$light->id:$b",
            $this,
            "Line of {$house->circuits[$a]->name} to neutral of {$house->circuits[$b]->name}, $light->name switched on, neutrals lifted",
            new Measurement($state, Instruments::get('low-ohm'), Connection::leads(States::lineAtBoard($house, $a), $neutral)),
            1.5,
        );
    }
}
