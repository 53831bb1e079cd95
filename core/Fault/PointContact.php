<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\Outlets;

/** Two conductors touch at a point: hard, through some ohms, or through damp. */
abstract readonly class PointContact extends NamedFault
{
    /** @param non-empty-list<float> $severities */
    protected function __construct(string $slug, string $words, private string $first, private string $second, array $severities)
    {
        parent::__construct($slug, $words, 'P', $severities);
    }

    public function sites(House $house): array
    {
        return array_map(static fn ($part): FaultSite => new FaultSite($part->id, [$part->id], [$part->place], "at $part->name"), Outlets::points($house));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        $part = $house->parts[$site->things[0]];

        return new Change([], [NewBranch::contact(Outlets::screw($part, $this->first), Outlets::screw($part, $this->second), $ohms)]);
    }
}
