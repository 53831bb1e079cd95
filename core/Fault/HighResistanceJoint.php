<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** A loose or burnt joint: ohms in series with one conductor, from 0.05 Ω (warm) to 20 Ω (burnt). */
final class HighResistanceJoint implements FaultKind
{
    public function slug(): string
    {
        return 'high-resistance-joint';
    }

    public function words(): string
    {
        return 'High-resistance joint';
    }

    public function class(): string
    {
        return 'P';
    }

    public function severities(): array
    {
        return [0.05, 0.15, 0.4, 1.0, 2.5, 7.0, 20.0];
    }

    public function sites(House $house): array
    {
        return CoreSites::of($house, Role::Line, Role::Neutral, Role::Earth, Role::SwitchedLine);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [NewBranch::moreIn($site->things[0], $ohms)], $site->things[1]);
    }
}
