<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** The cpc is broken at a joint: what lies beyond has no earth, unless a ring feeds it from the other side. */
final class OpenCpc implements FaultKind
{
    public function slug(): string
    {
        return 'open-cpc';
    }

    public function words(): string
    {
        return 'Open cpc';
    }

    public function class(): string
    {
        return 'P';
    }

    public function severities(): array
    {
        return [0.0];
    }

    public function sites(House $house): array
    {
        return CoreSites::of($house, Role::Earth);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]]);
    }
}
