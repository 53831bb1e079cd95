<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** Healthy filters and cables together: insulation passes, the residual is mostly capacitive. Severity is the reactance at 50 Hz; 23 kΩ are 10 mA. */
final readonly class StandingLeakage extends NamedFault
{
    public function __construct()
    {
        parent::__construct('standing-leakage', 'Sum of standing leakage', 'I', [2.3e4, 3.3e4, 5e4, 8e4]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            $line = BoardEnds::joints($house, $circuit, 'L')[0] ?? null;
            $earth = BoardEnds::joints($house, $circuit, 'E')[0] ?? null;
            if (null !== $line && null !== $earth) {
                $sites[] = new FaultSite($circuit, [self::far($house, $line), self::far($house, $earth)], [], "on {$house->circuits[$circuit]->name}");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::capacitor($site->things[0], $site->things[1], 1.0 / (2.0 * \M_PI * 50.0 * $ohms))]);
    }

    /** The first terminal of the circuit beyond the board. */
    private static function far(House $house, string $joint): string
    {
        [$core, $end] = $house->joint($joint) ?? throw new \LogicException('A circuit leaves the board through joints.');

        return $core->ends[2 - $end] ?? (string) $core->ends[$end - 1];
    }
}
