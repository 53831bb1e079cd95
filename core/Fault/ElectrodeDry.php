<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** TT: the resistance of the electrode has risen with the season, ohms more. */
final readonly class ElectrodeDry extends NamedFault
{
    public function __construct()
    {
        parent::__construct('electrode-dry', 'Electrode dry', 'P', [100.0, 400.0, 1500.0]);
    }

    public function sites(House $house): array
    {
        $sites = array_map(static fn (FaultSite $site): FaultSite => new FaultSite($site->id, [$house->parts[$site->things[0]]->element('electrode')], $site->places, 'at the supply'), [] === $house->partsOfKind('electrode') ? ServiceSites::of($house, '', 'TT') : []);
        foreach ($house->partsOfKind('electrode') as $electrode) {
            $sites[] = new FaultSite($electrode->id, [$electrode->element('ground')], [$electrode->place], "at $electrode->name");
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [NewBranch::moreIn($site->things[0], $ohms)]);
    }
}
