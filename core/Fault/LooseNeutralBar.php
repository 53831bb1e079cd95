<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/** The link of a bar or a neutral lead is loose: several ways flicker together, and N–E rises with load. */
final readonly class LooseNeutralBar extends NamedFault
{
    public function __construct()
    {
        parent::__construct('loose-neutral-bar', 'Loose terminal of a neutral bar', 'P', [0.05, 0.15, 0.5, 1.5, 5.0]);
    }

    public function sites(House $house): array
    {
        return BoardWires::sites($house, static fn (Part $part, string $key): ?string => 'bar' === $part->kind && 'N' === $part->attributes->string('role') ? "at $part->name" : null);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [NewBranch::moreIn($site->things[0], $ohms)], $site->things[1]);
    }
}
