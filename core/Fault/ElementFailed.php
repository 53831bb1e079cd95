<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** At a fraction of its length: near the neutral end it acts as a neutral–earth contact. */
final readonly class ElementFailed extends NamedFault
{
    public function __construct()
    {
        parent::__construct('element-failed', 'Heating element leaks to its sheath', 'P', [0.1, 0.3, 1.0, 3.0, 10.0, 100.0, 300.0, 1e3, 3e3, 1e4]);
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Elements::of($house) as $heater) {
            $sites[] = new FaultSite("$heater->id:line", [$heater->terminal('L'), $heater->terminal('E')], [$heater->place], "in $heater->name, near its line end", appliance: $heater->id);
            $sites[] = new FaultSite("$heater->id:middle", [Elements::middle($heater), $heater->terminal('E')], [$heater->place], "in $heater->name, in the middle", appliance: $heater->id);
            $sites[] = new FaultSite("$heater->id:neutral", [$heater->terminal('N'), $heater->terminal('E')], [$heater->place], "in $heater->name, near its neutral end", appliance: $heater->id);
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }
}
