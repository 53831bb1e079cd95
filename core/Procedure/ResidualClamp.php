<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Shunts;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;

final class ResidualClamp implements Procedure
{
    public function slug(): string
    {
        return 'residual-clamp';
    }

    public function words(): string
    {
        return 'Residual current';
    }

    public function hazard(): string
    {
        return 'Live, cover off: keep the jaw and your fingers clear of live parts; nothing is parted.';
    }

    public function cannotShow(): string
    {
        return 'Where on the circuit; direct current. Never believe milliamps next to amps.';
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

    /** All live conductors of a circuit where it leaves the board, counted outward: four for a ring. */
    public static function liveConductors(House $house, string $circuit): Connection
    {
        return self::conductors($house, $circuit, 'L', 'N');
    }

    /** The cores of some roles where a circuit leaves the board, counted outward. */
    public static function conductors(House $house, string $circuit, string ...$keys): Connection
    {
        $around = [];
        foreach ($house->cables as $cable) {
            foreach ($keys as $key) {
                $core = $cable->cores[$key] ?? null;
                if (null === $core || $cable->circuit !== $circuit) {
                    continue;
                }
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
