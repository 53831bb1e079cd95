<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;

/** Two rings whose second legs are exchanged at the board, or that a cable joins: a breaker off leaves points live. */
final readonly class RingCrossJoined extends NamedFault
{
    public function __construct()
    {
        parent::__construct('ring-cross-joined', 'Legs of two rings exchanged');
    }

    private const KEYS = ['L', 'N', 'E'];
    private const CABLE_OHMS = 0.05;

    public function sites(House $house): array
    {
        $sites = [];
        $rings = Ring::all($house);
        foreach ($rings as $at => $a) {
            foreach (\array_slice($rings, $at + 1) as $b) {
                $names = $house->circuits[$a->circuit]->name.' and '.$house->circuits[$b->circuit]->name;
                $joints = [];
                foreach (self::KEYS as $key) {
                    // At the points, so that a conductor lifted at a way is the one that is found there.
                    foreach ([$a, $b] as $ring) {
                        $joints[] = Ring::joint($house, $ring->cables[\count($ring->cables) - 1], $key, $ring->points[\count($ring->points) - 1]);
                    }
                }
                $joints = array_values(array_filter($joints, is_string(...)));
                if (6 === \count($joints)) {
                    $sites[] = new FaultSite("$a->circuit~$b->circuit", $joints, [], "of $names, at the board");
                }
                $meet = [$a->points[intdiv(\count($a->points), 2)], $b->points[intdiv(\count($b->points), 2)]];
                $sites[] = new FaultSite("$a->circuit~$b->circuit:cable", $meet, [$house->parts[$meet[0]]->place, $house->parts[$meet[1]]->place], "by a cable between $names", 0.5);
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        if (6 === \count($site->things)) {
            $change = new Change();
            foreach (array_chunk($site->things, 2) as [$one, $other]) {
                $change = $change->and(Relanding::exchanged($house, $one, $other));
            }

            return $change;
        }

        return new Change([], RingBridged::bridge($house, $site->things[0], $site->things[1], self::CABLE_OHMS));
    }
}
