<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\Shunts;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final readonly class ResidualClamp extends EnteredTest
{
    /** Roles of the lines of a circuit: one, or the two legs of a multiwire branch. */
    public const LINES = [Role::Line, Role::Leg1, Role::Leg2];

    public function __construct()
    {
        parent::__construct('residual-clamp');
    }

    public function plans(House $house): array
    {
        $plans = [];
        $clamp = Instruments::get('leakage-clamp');
        foreach ($house->partsOfKind('residual-device', 'rcbo') as $device) {
            $plans[] = new TestPlan("residual-clamp:$device->id", $this, "Clamp around line and neutral of $device->name, house as it is", new Measurement(State::resting($house), $clamp, Connection::around("+$device->id/L", "+$device->id/N")), 0.7);
        }
        foreach (States::circuits($house) as $circuit) {
            $plans[] = new TestPlan("residual-clamp:$circuit", $this, "Clamp around line and neutral of {$house->circuits[$circuit]->name}, house as it is", new Measurement(State::resting($house), $clamp, self::liveConductors($house, $circuit)), 0.7);
        }

        return $plans;
    }

    /** All live conductors of a circuit where it leaves the board, counted outward: four for a ring, three for two legs and their neutral. */
    public static function liveConductors(House $house, string $circuit): Connection
    {
        return self::conductors($house, $circuit, ...self::LINES, ...[Role::Neutral]);
    }

    /** The cores of some roles where a circuit leaves the board, counted outward. */
    public static function conductors(House $house, string $circuit, Role ...$roles): Connection
    {
        $around = [];
        foreach ($house->cables as $cable) {
            foreach ($cable->circuit === $circuit ? $cable->of(...$roles) : [] as $core) {
                foreach ([1 => '+', 2 => '-'] as $end => $sign) {
                    $terminal = $core->ends[$end - 1];
                    if (null !== $terminal && 'board' === $house->places[$house->partOf($terminal)->place]->kind) {
                        $around[] = $sign.$core->element();
                        // What leaks along the cable leaves the board inside the jaw too, also the half of it that the
                        // model puts at this end.
                        foreach (Shunts::of($cable, $core, $end) as [$shunt, $isFirst]) {
                            $around[] = ($isFirst ? '+' : '-').$shunt;
                        }
                    }
                }
            }
        }

        return Connection::around(...$around);
    }
}
