<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Socket;

/** Two conductors exchanged at one outlet: each of the two contacts is fed from the other's terminal. */
abstract readonly class ContactsExchanged extends NamedFault
{
    protected function __construct(string $slug, string $words, private string $first, private string $second, string $class = 'P')
    {
        parent::__construct($slug, $words, $class);
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
            $one = $socket->element("$outlet-$this->first");
            $other = $socket->element("$outlet-$this->second");
            $change = $change->and(new Change([$one, $other], [
                NewBranch::moved($one, $socket->terminal($this->second), null),
                NewBranch::moved($other, $socket->terminal($this->first), null),
            ]));
        }

        return $change;
    }
}
