<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** One lamp takes its line from its own circuit and returns its whole current through the neutral of another. */
final readonly class BorrowedNeutral extends NamedFault
{
    public function __construct()
    {
        parent::__construct('borrowed-neutral', 'Borrowed neutral');
    }

    public function sites(House $house): array
    {
        $sites = [];
        $byCircuit = NeutralPairs::pointsByCircuit($house);
        foreach ($house->partsOfKind('light') as $light) {
            $own = $house->circuitOfPart($light->id);
            foreach ($byCircuit as $circuit => $points) {
                if ($circuit === $own || null === $own) {
                    continue;
                }
                [$point, $weight] = NeutralPairs::nearest($house, $light, $points);
                $sites[] = new FaultSite(
                    "$light->id~$circuit",
                    [$light->id, Outlets::screw($point, 'N')],
                    array_values(array_unique([$light->place, $point->place])),
                    \sprintf('%s, from %s, returns through the neutral of %s', $light->name, $house->circuits[$own]->name, $house->circuits[$circuit]->name),
                    $weight,
                );
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $contact = $house->parts[$site->things[0]]->element('lamp-N');

        return new Change([$contact], [NewBranch::moved($contact, $site->things[1], null)]);
    }
}
