<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** An outlet-type device fed from its LOAD side: a recent one ("lockout", the default) stays dead, an older one protects the wrong outlets and leaves its own face live after a trip. */
final readonly class LineLoadSwapped extends NamedFault
{
    public function __construct()
    {
        parent::__construct('line-load-swapped', 'LINE and LOAD exchanged');
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach ($house->partsOfKind('residual-outlet') as $outlet) {
            if ([] !== $house->wiring->landedOn($outlet->terminal('line-L'))) {
                $sites[] = new FaultSite($outlet->id, [$outlet->id], [$outlet->place], "at $outlet->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $outlet = $house->parts[$site->things[0]];
        $change = $outlet->attributes->flag('lockout', true) ? new Change([$outlet->element('L'), $outlet->element('N'), $outlet->element('front-L'), $outlet->element('front-N')]) : new Change();
        foreach (['L', 'N'] as $pole) {
            foreach (['line' => 'load', 'load' => 'line'] as $side => $other) {
                foreach (BoardEnds::landedOn($house, $outlet->terminal("$side-$pole")) as $joint) {
                    $change = $change->and(Relanding::of($house, $joint, $outlet->terminal("$other-$pole")));
                }
            }
        }

        return $change;
    }
}
