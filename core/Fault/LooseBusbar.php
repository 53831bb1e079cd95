<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/** The prong lies behind the clamp of a device: that way runs hot and sags under load; the device stands proud. */
final readonly class LooseBusbar extends NamedFault
{
    public function __construct()
    {
        parent::__construct('loose-busbar', 'Busbar not in the clamp', 'P', [0.05, 0.15, 0.5, 1.5, 5.0]);
    }

    public function sites(House $house): array
    {
        return BoardWires::sites($house, static fn (Part $part, string $key): ?string => \in_array($key, ['in', 'Lin', 'in1', 'in2'], true) && \in_array($part->kind, ['breaker', 'rcbo', 'two-pole-breaker', 'residual-device'], true) ? "at $part->name" : null);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [NewBranch::moreIn($site->things[0], $ohms)], $site->things[1]);
    }
}
