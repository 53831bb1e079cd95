<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** The neutrals of two circuits touch somewhere beyond the bars: any load on either divides between both. */
final readonly class JoinedNeutrals extends NamedFault
{
    public function __construct()
    {
        parent::__construct('joined-neutrals', 'Joined neutrals', 'P', [0.005, 0.02, 0.06, 0.2, 0.6, 2.0, 5.0]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        $byCircuit = NeutralPairs::pointsByCircuit($house);
        $circuits = array_keys($byCircuit);
        foreach ($circuits as $at => $a) {
            foreach (\array_slice($circuits, $at + 1) as $b) {
                [$from, $to, $weight] = [$byCircuit[$a][0], $byCircuit[$b][0], 1.0];
                foreach ($byCircuit[$a] as $part) {
                    [$near, $nearness] = NeutralPairs::nearest($house, $part, $byCircuit[$b]);
                    if ($nearness > $weight) {
                        [$from, $to, $weight] = [$part, $near, $nearness];
                    }
                }
                $sites[] = new FaultSite(
                    "$a~$b",
                    [Outlets::screw($from, 'N'), Outlets::screw($to, 'N')],
                    array_values(array_unique([$from->place, $to->place])),
                    \sprintf('of %s and %s', $house->circuits[$a]->name, $house->circuits[$b]->name),
                    $weight,
                );
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }
}
