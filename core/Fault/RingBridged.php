<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Ring;

/** A cable across a ring joins two of its points. */
final readonly class RingBridged extends NamedFault
{
    public function __construct()
    {
        parent::__construct('ring-bridged', 'Ring bridged', 'I', [0.02, 0.05, 0.15]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Ring::all($house) as $ring) {
            $count = \count($ring->points);
            for ($i = 0; $i + 2 < $count; ++$i) {
                for ($j = $i + 2; $j < $count; ++$j) {
                    [$a, $b] = [$house->parts[$ring->points[$i]], $house->parts[$ring->points[$j]]];
                    $sites[] = new FaultSite("$a->id~$b->id", [$a->id, $b->id], [$a->place, $b->place], "between $a->name and $b->name");
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], self::bridge($house, $site->things[0], $site->things[1], $ohms));
    }

    /** @return list<NewBranch> a cable of so many ohms per conductor between two points */
    public static function bridge(House $house, string $one, string $other, float $ohms): array
    {
        return array_map(static fn (string $pole): NewBranch => NewBranch::contact(Outlets::screw($house->parts[$one], $pole), Outlets::screw($house->parts[$other], $pole), $ohms), ['L', 'N', 'E']);
    }
}
