<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Neutral touches earth at a point beyond the device: hard, through some ohms, or through damp. */
final class NeutralEarthFault implements FaultKind
{
    public function slug(): string
    {
        return 'neutral-earth-fault';
    }

    public function words(): string
    {
        return 'Neutral touches earth';
    }

    public function class(): string
    {
        return 'P';
    }

    public function severities(): array
    {
        return [0.01, 0.3, 2.0, 20.0, 300.0, 5e3, 1e5];
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach ($house->partsOfKind('socket', 'light', 'junction', 'appliance') as $part) {
            if ('' === $part->attributes->string('pluggedInto', '')) {
                $sites[] = new FaultSite($part->id, [$part->id], [$part->place], "at $part->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $part = $house->parts[$site->things[0]];

        return new Change([], [NewBranch::contact($part->terminal('N'), $part->terminal('E'), $ohms)]);
    }
}
