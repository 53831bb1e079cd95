<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;

/** Volts between the contacts of a point, and where a circuit leaves its board: what fails there comes from before it. */
final readonly class PolarityLive extends PointPairs
{
    private const PAIRS = [['L', 'N'], ['L', 'E'], ['N', 'E'], ['SL', 'N'], ['SL', 'E']];
    private const LEGS = [['L1', 'N'], ['L2', 'N'], ['L1', 'E'], ['L2', 'E'], ['L1', 'L2']];

    public function __construct()
    {
        parent::__construct('polarity-live', 'voltmeter-high-z', self::PAIRS, 'Volts');
    }

    public function plans(House $house): array
    {
        return [...parent::plans($house), ...$this->atWays($house)];
    }

    /** @return list<TestPlan> */
    private function atWays(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $screws = array_filter(BoardEnds::linesAtBoard($house, $circuit) + ['N' => BoardEnds::neutralAtBoard($house, $circuit), 'E' => BoardEnds::earthAtBoard($house, $circuit)], is_string(...));
            foreach ([...self::PAIRS, ...self::LEGS] as [$a, $b]) {
                if (isset($screws[$a], $screws[$b])) {
                    $plans[] = $this->plan("$circuit:$a-$b", "Volts {$a}–$b where {$house->circuits[$circuit]->name} leaves the board", State::resting($house), 'voltmeter-high-z', Connection::leads($screws[$a], $screws[$b]));
                }
            }
        }

        return $plans;
    }
}
