<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class CapacitanceEnds extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('capacitance-ends');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $map = LineMap::of($house, $circuit);
            $stops = array_values(array_filter($map['stops'], static fn (array $stop): bool => 0 === $stop['row']));
            $last = $stops[\count($stops) - 1] ?? null;
            $joints = [];
            foreach (['L', 'N', 'E'] as $role) {
                $joints[$role] = \YellowProbe\Installation\BoardEnds::joints($house, $circuit, $role);
            }
            if ($map['ring'] || null === $last || [1, 1, 1] !== array_map(\count(...), array_values($joints))) {
                continue;
            }
            $part = $house->parts[$last['part']];
            $lifted = array_map(static fn (array $joint): StateChange => new StateChange('lift', $joint[0]), array_values($joints));
            $state = States::boardOff($house, States::deviceOff($house, $circuit), ...$lifted, ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
            foreach (['L', 'N'] as $pole) {
                $plans[] = $this->plan("$circuit:$pole:board", "Capacitance {$pole}–E of {$house->circuits[$circuit]->name} from the board", $state, 'capacitance-meter', Connection::leads($joints[$pole][0], $joints['E'][0]));
                $plans[] = $this->plan("$circuit:$pole:far", "Capacitance {$pole}–E of {$house->circuits[$circuit]->name} from $part->name", $state, 'capacitance-meter', Connection::leads(Outlets::screw($part, $pole), Outlets::screw($part, 'E')));
            }
        }

        return $plans;
    }
}
