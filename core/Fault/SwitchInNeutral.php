<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** The switch opens the neutral: off, the load still stands at line. */
final readonly class SwitchInNeutral extends NamedFault
{
    public function __construct()
    {
        parent::__construct('switch-in-neutral', 'Switch in the neutral');
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach ($house->partsOfKind('light') as $light) {
            foreach ($house->wiring->landedOn($light->terminal('L')) as [$core, $end]) {
                $other = $core->ends[2 - $end];
                if (null !== $other && 'switch' === $house->partOf($other)->kind && str_ends_with($other, '.COM')) {
                    $sites[] = new FaultSite($light->id, [$light->id, $core->joint($end)], [$light->place, $house->partOf($other)->place], "of $light->name");
                    break;
                }
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $light = $house->parts[$site->things[0]];
        [$line, $neutral] = [$light->element('lamp-L'), $light->element('lamp-N')];

        return Relanding::of($house, $site->things[1], $light->terminal('N'))
            ->and(new Change([$line, $neutral], [NewBranch::moved($line, $light->terminal('L'), null), NewBranch::moved($neutral, $light->terminal('SL'), null)]));
    }
}
