<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** A loose or burnt joint: ohms in series with one conductor, from 0.05 Ω (warm) to 20 Ω (burnt). */
final readonly class HighResistanceJoint extends NamedFault
{
    public function __construct()
    {
        parent::__construct('high-resistance-joint', 'High-resistance joint', 'P', [0.05, 0.15, 0.4, 1.0, 2.5, 7.0, 20.0]);
    }

    public function sites(House $house): array
    {
        return CoreSites::of($house, Role::Line, Role::Neutral, Role::Earth, Role::SwitchedLine, Role::Leg1, Role::Leg2);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [NewBranch::moreIn($site->things[0], $ohms)], $site->things[1]);
    }
}
