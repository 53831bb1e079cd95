<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** Islanded, neutral floats and residual devices are blind. */
final readonly class BackupLinkMissing extends NamedFault
{
    public function __construct()
    {
        parent::__construct('backup-link-missing', 'Back-up source without its neutral–earth link');
    }

    public function sites(House $house): array
    {
        return array_map(static fn ($source): FaultSite => new FaultSite($source->id, [$source->element('link')], [$source->place], "at $source->name"), array_values(array_filter($house->partsOfKind('source'), static fn ($source): bool => 'never' !== $source->attributes->string('link', 'islanded'))));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]]);
    }
}
