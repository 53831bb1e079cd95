<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\Shunts;

/** A conductor is broken at a joint: what lies beyond has lost it, unless a ring feeds it from the other side. */
abstract readonly class OpenConductor extends NamedFault
{
    /** @var list<Role> */
    private array $roles;

    protected function __construct(string $slug, string $words, Role ...$roles)
    {
        parent::__construct($slug, $words);
        $this->roles = array_values($roles);
    }

    public function severities(): array
    {
        return [0.0];
    }

    public function sites(House $house): array
    {
        return CoreSites::of($house, ...$this->roles);
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        [$core, $end] = $house->joint($site->things[1]) ?? throw new \LogicException('A site of an open conductor is a joint.');
        $near = $core->ends[2 - $end] ?? $core->joint(3 - $end);
        $without = [$core->element()];
        $with = [];
        // The open end stays with its cable: the half of the cable's insulation and capacitance that stood at the
        // terminal hangs on the core now, and the core is still joined at its other end.
        foreach (Shunts::of($house->cables[$core->cable], $core, $end) as [$shunt, $isFirst]) {
            $without[] = $shunt;
            $with[] = NewBranch::moved($shunt, $isFirst ? $near : null, $isFirst ? null : $near);
        }

        return new Change($without, $with, $core->joint($end));
    }
}
