<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** No heat; the line stump leaks at full voltage, the neutral stump at neutral–earth volts only. */
final readonly class ElementBrokenLeaking extends NamedFault
{
    public function __construct()
    {
        parent::__construct('element-broken-leaking', 'Broken heating element, one stump leaks', 'P', [1e3, 3e3, 1e4, 3e4, 1e5]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Elements::of($house) as $heater) {
            $sites[] = new FaultSite("$heater->id:line", [$heater->id, $heater->element('load-N')], [$heater->place], "in $heater->name, the line stump", appliance: $heater->id);
            $sites[] = new FaultSite("$heater->id:neutral", [$heater->id, $heater->element('load')], [$heater->place], "in $heater->name, the neutral stump", appliance: $heater->id);
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $heater = $house->parts[$site->things[0]];

        return new Change([$site->things[1]], [NewBranch::contact(Elements::middle($heater), $heater->terminal('E'), $ohms)]);
    }
}
