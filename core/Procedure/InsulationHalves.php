<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class InsulationHalves extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('insulation-halves');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $map = LineMap::of($house, $circuit);
            $stops = array_values(array_filter($map['stops'], static fn (array $stop): bool => 0 === $stop['row']));
            $at = intdiv(\count($stops) - 1, 2);
            [$middle, $next] = [$stops[$at] ?? null, $stops[$at + 1] ?? null];
            $earth = States::earthAtBoard($house, $circuit);
            if ($map['ring'] || null === $middle || null === $next || $next['after'] !== $middle['part'] || null === $earth) {
                continue;
            }
            $part = $house->parts[$middle['part']];
            $ends = States::jointsAt($house, $next['cables'][0], $part->id);
            if (isset($ends['L'], $ends['N'])) {
                $state = States::boardOff($house, States::deviceOff($house, $circuit), new StateChange('lift', $ends['L']), new StateChange('lift', $ends['N']), ...States::neutralLifted($house, $circuit), ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
                foreach (['towards the board' => [Outlets::screw($part, 'L'), Outlets::screw($part, 'N')], 'beyond' => [$ends['L'], $ends['N']]] as $side => $leads) {
                    foreach (['L' => $leads[0], 'N' => $leads[1]] as $pole => $lead) {
                        $plans[] = $this->plan("$circuit:$pole:".explode(' ', $side)[0], "Insulation {$pole}–E of {$house->circuits[$circuit]->name}, parted at $part->name, $side", $state, 'insulation-tester', Connection::leads($lead, $earth));
                    }
                }
            }
        }

        return $plans;
    }
}
