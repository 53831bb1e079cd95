<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Socket;

/** Line and neutral exchanged at one outlet: its L contact is fed from the neutral, its N contact from the line. */
final class LineNeutralReversed implements FaultKind
{
    public function slug(): string
    {
        return 'line-neutral-reversed';
    }

    public function words(): string
    {
        return 'Line and neutral reversed';
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
        $sites = [];
        foreach ($house->partsOfKind('socket') as $socket) {
            $sites[] = new FaultSite($socket->id, [$socket->id], [$socket->place], "at $socket->name");
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $socket = $house->parts[$site->things[0]];
        $change = new Change();
        foreach (Socket::outlets($socket) as $outlet) {
            $line = $socket->element("$outlet-L");
            $neutral = $socket->element("$outlet-N");
            $change = $change->and(new Change([$line, $neutral], [
                NewBranch::moved($line, $socket->terminal('N'), null),
                NewBranch::moved($neutral, $socket->terminal('L'), null),
            ]));
        }

        return $change;
    }
}
