<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;

/** The neutral current of others flows through this house’s earthing and bonding: it stays with the main off. Severity is the resistance behind 10 V. */
final readonly class NetworkCurrent extends NamedFault
{
    public function __construct()
    {
        parent::__construct('network-current', 'Current of the network in the bonding', 'F', [2.0, 5.0, 15.0]);
    }

    private const VOLTS = 10.0;

    public function sites(House $house): array
    {
        return ServiceSites::of($house, 'through the earthing conductor', 'TN-C-S', 'split');
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::source(HouseNetwork::GROUND, $house->parts[$site->things[0]]->terminal('E'), self::VOLTS, $ohms)]);
    }
}
