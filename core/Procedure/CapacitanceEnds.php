<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Part;
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
            $ends = self::ends($house, $circuit);
            if (null === $ends) {
                continue;
            }
            [$joints, $part] = $ends;
            $lifted = array_map(static fn (string $joint): StateChange => new StateChange('lift', $joint), array_values($joints));
            $state = States::boardOff($house, States::deviceOff($house, $circuit), ...$lifted, ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
            foreach (['L', 'N'] as $pole) {
                $plans[] = $this->plan("$circuit:$pole:board", "Capacitance {$pole}–E of {$house->circuits[$circuit]->name} from the board", $state, 'capacitance-meter', Connection::leads($joints[$pole], $joints['E']));
                $plans[] = $this->plan("$circuit:$pole:far", "Capacitance {$pole}–E of {$house->circuits[$circuit]->name} from $part->name", $state, 'capacitance-meter', Connection::leads(Outlets::screw($part, $pole), Outlets::screw($part, 'E')));
            }
        }

        return $plans;
    }

    /**
     * The two ends of a radial: its cores at the board and the last point of its line; null for rings and for what leaves
     * the board more than once.
     *
     * @return array{array{L: string, N: string, E: string}, Part}|null
     */
    public static function ends(House $house, string $circuit): ?array
    {
        $map = LineMap::of($house, $circuit);
        $stops = array_values(array_filter($map['stops'], static fn (array $stop): bool => 0 === $stop['row']));
        $last = $stops[\count($stops) - 1] ?? null;
        [$lines, $neutrals, $earths] = array_map(static fn (string $role): array => BoardEnds::joints($house, $circuit, $role), ['L', 'N', 'E']);
        if ($map['ring'] || null === $last || [1, 1, 1] !== [\count($lines), \count($neutrals), \count($earths)]) {
            return null;
        }

        return [['L' => $lines[0], 'N' => $neutrals[0], 'E' => $earths[0]], $house->parts[$last['part']]];
    }
}
