<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** An element cold or long idle takes up moisture: line and neutral are low to earth together; warm, it holds. */
final readonly class ElementDamp extends NamedFault
{
    public function __construct()
    {
        parent::__construct('element-damp', 'Damp heating element', 'I', [1e4, 3e4, 1e5, 3e5, 1e6]);
    }

    public function sites(House $house): array
    {
        return array_map(static fn ($heater): FaultSite => new FaultSite($heater->id, [$heater->id], [$heater->place], "in $heater->name", appliance: $heater->id), Elements::of($house));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $heater = $house->parts[$site->things[0]];

        return new Change([], [NewBranch::contact(Elements::middle($heater), $heater->terminal('E'), $ohms)]);
    }
}
