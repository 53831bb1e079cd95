<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Role;

/** A spread or burnt contact in an outlet: its terminals read well, its front does not. */
final readonly class AccessoryContact extends NamedFault
{
    public function __construct()
    {
        parent::__construct('accessory-contact', 'Bad contact inside the accessory', 'P', [0.1, 0.3, 1.0, 3.0, 10.0, 30.0, 100.0, 1e9]);
    }

    private const POLES = ['L' => 'line', 'N' => 'neutral', 'E' => 'earth'];

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            foreach (self::POLES as $pole => $words) {
                $sites[] = new FaultSite("$part->id.$outlet-$pole", [$part->element("$outlet-$pole")], [$part->place], "$words contact of $part->name", role: Role::from($pole), circuit: $house->circuitOfPart($part->id));
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [NewBranch::moreIn($site->things[0], $ohms)]);
    }
}
