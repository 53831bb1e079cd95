<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Measurement;

/** The decision line of a residual device that serves several circuits: closed with all breakers behind it off, and with one of them on. */
final readonly class HoldsByBreaker extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('holds-by-breaker');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('residual-device') as $device) {
            $behind = array_values(array_filter(States::circuits($house), static fn (string $circuit): bool => $house->circuits[$circuit]->way !== $device->id && \in_array($device, Protection::devices($house, $circuit), true)));
            $watch = static fn (State $state): Measurement => Watched::device($device, $state, false) ?? throw new \LogicException('A residual device is watched.');
            $off = array_map(static fn (string $circuit): StateChange => States::deviceOff($house, $circuit), $behind);
            $none = State::resting($house)->after(...$off);
            $plans[] = new TestPlan("holds-by-breaker:$device->id:all", $this, "Close $device->name with everything as it is", $watch(State::resting($house)), $this->minutes());
            if ([] === $behind) {
                continue;
            }
            $plans[] = new TestPlan("holds-by-breaker:$device->id:none", $this, "Close $device->name with all breakers behind it off", $watch($none), $this->minutes());
            foreach (\count($behind) > 1 ? $behind : [] as $circuit) {
                $way = $house->circuits[$circuit]->way;
                $plans[] = new TestPlan("holds-by-breaker:$device->id:$circuit", $this, "Close $device->name with only {$house->circuits[$circuit]->name} on behind it", $watch($none->after(new StateChange('set', $way, 'on'))), $this->minutes());
            }
        }

        return $plans;
    }
}
