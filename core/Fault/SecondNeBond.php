<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Neutral and earth joined again in a sub-panel or outbuilding: the cpc carries load current. */
final readonly class SecondNeBond extends NamedFault
{
    public function __construct()
    {
        parent::__construct('second-ne-bond', 'Second bond of neutral and earth', 'P', [0.002, 0.006, 0.02, 0.05, 0.15, 0.5]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach ($house->places as $place) {
            $bars = array_values(array_filter($house->partsOfKind('bar'), static fn ($bar): bool => $bar->place === $place->id));
            $of = static fn (string $role): ?string => array_values(array_filter($bars, static fn ($bar): bool => $role === $bar->attributes->string('role')))[0]->id ?? null;
            [$neutral, $earth] = [$of('N'), $of('E')];
            if ('board' === $place->kind && null !== $neutral && null !== $earth && !self::isFirst($house, $place->id)) {
                $sites[] = new FaultSite($place->id, ["$neutral.t1", "$earth.t1"], [$place->id], "in $place->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }

    /** Whether the tails of the supply land in this board. */
    private static function isFirst(House $house, string $place): bool
    {
        foreach ($house->partsOfKind('service') as $service) {
            foreach ($house->wiring->landedOn($service->terminal('N')) as [$core, $end]) {
                $other = $core->ends[2 - $end];
                if (null !== $other && $house->partOf($other)->place === $place) {
                    return true;
                }
            }
        }

        return false;
    }
}
