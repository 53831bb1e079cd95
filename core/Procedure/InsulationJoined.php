<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

final readonly class InsulationJoined extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('insulation-joined');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $neutral = BoardEnds::neutralsAtBoard($house, $circuit)[0] ?? null;
            $earth = BoardEnds::earthAtBoard($house, $circuit);
            if (null !== $neutral && null !== $earth) {
                $lines = BoardEnds::linesAtBoard($house, $circuit);
                $links = array_map(static fn (string $line): StateChange => new StateChange('link', $line, $neutral), array_values($lines));
                $state = States::boardOff($house, States::deviceOff($house, $circuit), ...$links, ...States::neutralLifted($house, $circuit), ...States::switchesClosed($house, $circuit));
                $plans[] = $this->plan($circuit, "Insulation of line and neutral of {$house->circuits[$circuit]->name}, joined, to earth, loads in", $state, 'insulation-tester-250', Connection::leads(array_values($lines)[0], $earth));
            }
        }

        return $plans;
    }
}
