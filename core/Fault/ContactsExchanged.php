<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** Two conductors exchanged at one accessory: each of the two contacts is fed from the other's screw. */
abstract readonly class ContactsExchanged extends NamedFault
{
    protected function __construct(string $slug, string $words, private string $first, private string $second, string $class = 'P')
    {
        parent::__construct($slug, $words, $class);
    }

    public function sites(House $house): array
    {
        return array_map(static fn ($part): FaultSite => new FaultSite($part->id, [$part->id], [$part->place], "at $part->name"), $house->partsOfKind(...Outlets::KINDS));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return self::exchanged($house, $site->things[0], $this->first, $this->second);
    }

    final protected static function exchanged(House $house, string $part, string $first, string $second): Change
    {
        $accessory = $house->parts[$part];
        $change = new Change();
        foreach (Outlets::of($accessory) as $outlet) {
            $one = $accessory->element("$outlet-$first");
            $other = $accessory->element("$outlet-$second");
            $change = $change->and(new Change([$one, $other], [
                NewBranch::moved($one, Outlets::behind($accessory, $outlet, $second), null),
                NewBranch::moved($other, Outlets::behind($accessory, $outlet, $first), null),
            ]));
        }

        return $change;
    }
}
