<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Aged, it leaks 1–5 mA; short, it is a fault to earth. */
final readonly class SurgeDeviceFailed extends NamedFault
{
    public function __construct()
    {
        parent::__construct('surge-device-failed', 'Surge device failed', 'I', [0.05, 0.5, 5.0, 50.0, 500.0, 5e3, 1.5e4, 5e4, 2.3e5]);
    }

    public function sites(House $house): array
    {
        return array_map(static fn ($device): FaultSite => new FaultSite($device->id, [$device->terminal('L'), $device->terminal('E')], [$device->place], "at $device->name"), array_values(array_filter($house->partsOfKind('surge-device'), static fn ($device): bool => [] !== $house->wiring->landedOn($device->terminal('L')))));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], $ohms)]);
    }
}
