<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\Outlets;

/**
 * One lamp takes its line from its own circuit and returns its whole current through the neutral of another: that neutral lands
 * on the fitting's terminal in place of its own, which is capped there, or goes on past it to the points beyond.
 */
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
                    [$light->id, Outlets::screw($point, 'N'), ...self::own($house, $light)],
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
        [$light, $borrowed] = $site->things;
        $change = new Change([], [NewBranch::contact($house->parts[$light]->terminal('N'), $borrowed, HouseNetwork::JOINT_OHMS)]);
        $joints = \array_slice($site->things, 2);
        $first = array_shift($joints);
        if (null === $first) {
            return $change;
        }
        // What went on from here hangs on the point before; the little that this stretch adds to it is left out.
        $before = self::farEnd($house, $first);
        $onward = null === $before ? [] : array_map(static fn (string $joint): Change => Relanding::of($house, $joint, $before), $joints);

        return $change->and(OpenConductor::opened($house, $first), ...$onward);
    }

    /** @return list<string> joints of its own neutral on the fitting, the one that comes from the board first */
    private static function own(House $house, Part $light): array
    {
        $joints = array_map(static fn (array $landing): string => $landing[0]->joint($landing[1]), $house->wiring->landedOn($light->terminal('N')));
        $circuit = $house->circuitOfPart($light->id);
        $stop = null === $circuit ? null : array_column(LineMap::of($house, $circuit)['stops'], null, 'part')[$light->id] ?? null;
        $from = null === $stop ? [] : $stop['cables'];
        usort($joints, static fn (string $a, string $b): int => [!\in_array(explode('/', $a)[0], $from, true), $a] <=> [!\in_array(explode('/', $b)[0], $from, true), $b]);

        return $joints;
    }

    private static function farEnd(House $house, string $joint): ?string
    {
        [$core, $end] = $house->joint($joint) ?? throw new \LogicException("There is no joint $joint.");

        return $core->ends[2 - $end];
    }
}
