<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;

/** One of the conductors between two- or three-way switches is broken: the light works in one of two positions. */
final readonly class StrapperOpen extends OpenConductor
{
    public function __construct()
    {
        parent::__construct('strapper-open', 'Open strapper', 'I');
    }

    public function sites(House $house): array
    {
        // One end of each will do: the core is broken, wherever along it.
        return array_values(array_filter(CoreSites::of($house, Role::Line, Role::SwitchedLine), static fn (FaultSite $site): bool => str_ends_with($site->id, '@1') && Strappers::isOne($house, $site->id)));
    }
}
