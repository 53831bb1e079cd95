<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/** An extension or a chain of them: volt drop and a warm plug. Severity is the resistance of each conductor. */
final readonly class UndersizedFlex extends NamedFault
{
    public function __construct()
    {
        parent::__construct('undersized-flex', 'Flex too thin or too long', 'P', [0.3, 1.0, 3.0]);
    }

    public function sites(House $house): array
    {
        return array_map(static fn (Part $appliance): FaultSite => new FaultSite($appliance->id, [$appliance->element('plug-L'), $appliance->element('plug-N')], [$appliance->place], "of $appliance->name"), Plugged::of($house));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change($site->things, array_map(static fn (string $conductor): NewBranch => NewBranch::moreIn($conductor, $ohms), $site->things));
    }
}
