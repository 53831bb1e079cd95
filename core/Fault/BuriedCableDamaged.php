<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\Cable;
use YellowProbe\Installation\House;

/** A cable in the ground, in a heated floor or to an outbuilding: worse after rain. */
final readonly class BuriedCableDamaged extends NamedFault
{
    public function __construct()
    {
        parent::__construct('buried-cable-damaged', 'Buried cable damaged', 'P', [1.0, 10.0, 100.0, 300.0, 1e3, 3e3, 1e4, 3e4, 1e5]);
    }

    public function sites(House $house): array
    {
        return CablePairs::sites($house, static fn (Cable $cable): bool => 'armoured' === $cable->kind || $cable->attributes->flag('buried', false));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return CablePairs::contact($house, $site, $ohms);
    }
}
