<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;

/** Points taken to lie in the ring hang one behind the other on a single cable beside it. */
final readonly class SpurOnSpur extends NamedFault
{
    public function __construct()
    {
        parent::__construct('spur-on-spur', 'Several points on one spur', 'I');
    }

    private const KEYS = ['L', 'N', 'E'];

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Ring::all($house) as $ring) {
            for ($i = 0, $count = \count($ring->points); $i + 2 < $count; ++$i) {
                // The cable onward from the second point behind this one is landed here: the two between hang on a spur.
                $joints = array_values(array_filter(array_map(static fn (string $key): ?string => Ring::joint($house, $ring->cables[$i + 3], $key, $ring->points[$i + 2]), self::KEYS), is_string(...)));
                [$first, $second, $here] = [$house->parts[$ring->points[$i + 1]], $house->parts[$ring->points[$i + 2]], $house->parts[$ring->points[$i]]];
                $sites[] = new FaultSite("$first->id-$second->id", [$here->id, ...$joints], [$first->place, $second->place], "$first->name and $second->name, behind $here->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $here = $house->parts[$site->things[0]];
        $change = new Change();
        foreach (\array_slice($site->things, 1) as $joint) {
            [$core] = $house->joint($joint) ?? throw new \LogicException('A ring cable lands through joints.');
            $change = $change->and(Relanding::of($house, $joint, \YellowProbe\Installation\Part\Outlets::screw($here, $core->role->value)));
        }

        return $change;
    }
}
