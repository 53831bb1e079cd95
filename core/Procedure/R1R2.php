<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final readonly class R1R2 extends EnteredTest
{
    public function __construct()
    {
        parent::__construct('r1-r2');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (States::circuits($house) as $circuit) {
            $earth = States::earthAtBoard($house, $circuit);
            if (null === $earth) {
                continue;
            }
            $state = States::boardOff($house, States::deviceOff($house, $circuit), new StateChange('link', States::lineAtBoard($house, $circuit), $earth), ...States::loadsOut($house, $circuit), ...States::switchesClosed($house, $circuit));
            foreach ($house->partsOfKind('light', ...Outlets::KINDS) as $part) {
                if ($house->circuitOfPart($part->id) === $circuit) {
                    [$line, $cpc] = self::contacts($part);
                    $plans[] = new TestPlan("r1-r2:$part->id", $this, "R1+R2 at $part->name, line and cpc of {$house->circuits[$circuit]->name} linked at the board", new Measurement($state, Instruments::get('low-ohm'), Connection::leads($line, $cpc)), 1.5);
                }
            }
        }

        return $plans;
    }

    /** @return array{string, string} */
    private static function contacts(Part $part): array
    {
        $outlet = Outlets::of($part)[0] ?? null;

        return null === $outlet ? [$part->terminal('L'), $part->terminal('E')] : [$part->terminal("$outlet-L"), $part->terminal("$outlet-E")];
    }
}
