<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** On the grid it is a second bond of neutral and earth. */
final readonly class BackupLinkStuck extends NamedFault
{
    public function __construct()
    {
        parent::__construct('backup-link-stuck', 'Back-up source’s neutral–earth link stuck');
    }

    public function sites(House $house): array
    {
        return array_map(static fn ($source): FaultSite => new FaultSite($source->id, [$source->terminal('N'), $source->terminal('E')], [$source->place], "at $source->name"), array_values(array_filter($house->partsOfKind('source'), static fn ($source): bool => 'always' !== $source->attributes->string('link', 'islanded'))));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::contact($site->things[0], $site->things[1], 0.005)]);
    }
}
