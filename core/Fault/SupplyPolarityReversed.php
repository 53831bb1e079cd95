<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** Line and neutral of the tails exchanged after the link of neutral and earth: switches and breakers stand in the neutral. */
final readonly class SupplyPolarityReversed extends NamedFault
{
    public function __construct()
    {
        parent::__construct('supply-polarity-reversed', 'Supply polarity reversed', 'D');
    }

    public function sites(House $house): array
    {
        foreach ($house->partsOfKind('service') as $service) {
            $line = 'split' === $service->attributes->string('system', '') ? [] : BoardEnds::landedOn($house, $service->terminal('L'));
            $neutral = BoardEnds::landedOn($house, $service->terminal('N'));
            if (1 === \count($line) && 1 === \count($neutral)) {
                return [new FaultSite('tails', [$line[0], $neutral[0]], [$service->place], 'at the tails')];
            }
        }

        return [];
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return Relanding::exchanged($house, $site->things[0], $site->things[1]);
    }
}
