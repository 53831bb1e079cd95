<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Two conductors touch at a point: hard, through some ohms, or through damp. */
abstract readonly class PointContact extends NamedFault
{
    /** @param list<float> $severities */
    protected function __construct(string $slug, string $words, private string $first, private string $second, private array $severities)
    {
        parent::__construct($slug, $words);
    }

    public function severities(): array
    {
        return $this->severities;
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

        return new Change([], [NewBranch::contact($part->terminal($this->first), $part->terminal($this->second), $ohms)]);
    }
}
