<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** A load on either of two RCBO ways trips both. */
final readonly class RcboNeutralsSwapped extends NamedFault
{
    public function __construct()
    {
        parent::__construct('rcbo-neutrals-swapped', 'Neutrals of two RCBOs exchanged');
    }

    /** Neighbours on the board are mixed up far more often. */
    private const APART = 0.2;

    public function sites(House $house): array
    {
        $ways = [];
        foreach (BoardEnds::circuits($house) as $circuit) {
            $way = $house->parts[$house->circuits[$circuit]->way];
            if ('rcbo' === $way->kind) {
                $ways[] = [$circuit, $way];
            }
        }
        $sites = [];
        foreach ($ways as $at => [$a, $first]) {
            foreach (\array_slice($ways, $at + 1) as [$b, $second]) {
                $beside = abs($first->attributes->number('position', 0.0) - $second->attributes->number('position', 0.0)) <= 1.0;
                $sites[] = new FaultSite("$a~$b", [$first->terminal('Nout'), $second->terminal('Nout')], [$first->place], "of {$house->circuits[$a]->name} and {$house->circuits[$b]->name}", $beside ? 1.0 : self::APART);
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return NeutralsExchanged::between($house, $site->things[0], $site->things[1]);
    }
}
