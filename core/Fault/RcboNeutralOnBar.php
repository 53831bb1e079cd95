<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** The neutral of an RCBO way lies on the bar instead of the device: any load there trips it. */
final readonly class RcboNeutralOnBar extends NamedFault
{
    public function __construct()
    {
        parent::__construct('rcbo-neutral-on-bar', 'Circuit neutral left on the bar');
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            $way = $house->parts[$house->circuits[$circuit]->way];
            $bar = 'rcbo' === $way->kind ? BoardEnds::opposite($house, $way->terminal('Nin')) : null;
            if (null !== $bar) {
                $sites[] = new FaultSite($circuit, [$bar, ...BoardEnds::landedOn($house, $way->terminal('Nout'))], [$way->place], "of {$house->circuits[$circuit]->name}");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return (new Change())->and(...array_map(static fn (string $joint): Change => Relanding::of($house, $joint, $site->things[0]), \array_slice($site->things, 1)));
    }
}
