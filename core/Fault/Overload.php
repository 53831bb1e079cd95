<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/**
 * More is switched on than the circuit carries: no conductor is at fault. It stands at the largest appliance of the circuit, as
 * what else people plug in and draw beside it, and goes with it. Severity is its resistance: 5 Ω are 46 A at 230 V.
 */
final readonly class Overload extends NamedFault
{
    public function __construct()
    {
        parent::__construct('overload', 'More switched on than the circuit carries', 'I', [2.5, 4.5, 8.0]);
    }

    public function sites(House $house): array
    {
        $largest = [];
        foreach (Plugged::of($house) as $appliance) {
            $circuit = $house->circuitOfPart($appliance->id);
            if (null !== $circuit && (!isset($largest[$circuit]) || self::watts($appliance) > self::watts($largest[$circuit]))) {
                $largest[$circuit] = $appliance;
            }
        }
        ksort($largest);
        $sites = [];
        foreach ($largest as $circuit => $appliance) {
            $sites[] = new FaultSite((string) $circuit, [$appliance->terminal('L'), $appliance->terminal('N')], [$appliance->place], "on {$house->circuits[$circuit]->name}");
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }

    private static function watts(Part $appliance): float
    {
        return $appliance->attributes->number('watts', 0.0);
    }
}
