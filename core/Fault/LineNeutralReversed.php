<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** Line and neutral exchanged, at an accessory or for a whole way at the board: switches then open the neutral only. */
final readonly class LineNeutralReversed extends ContactsExchanged
{
    /** A whole way is reversed far less often than an accessory. */
    private const WAY_WEIGHT = 0.1;

    public function __construct()
    {
        parent::__construct('line-neutral-reversed', 'Line and neutral reversed', 'L', 'N');
    }

    public function sites(House $house): array
    {
        $sites = parent::sites($house);
        foreach (BoardEnds::circuits($house) as $circuit) {
            if (1 === \count(BoardEnds::joints($house, $circuit, 'L')) && 1 === \count(BoardEnds::joints($house, $circuit, 'N'))) {
                $sites[] = new FaultSite("way:$circuit", ["way:$circuit", BoardEnds::joints($house, $circuit, 'L')[0], BoardEnds::joints($house, $circuit, 'N')[0]], [], "of all of {$house->circuits[$circuit]->name}, at the board", self::WAY_WEIGHT);
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return isset($site->things[2]) ? Relanding::exchanged($house, $site->things[1], $site->things[2]) : parent::change($house, $site, $ohms);
    }
}
