<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\Shunts;

/** A conductor is broken at a joint: what lies beyond has lost it. Segments of a ring are a kind of their own. */
abstract readonly class OpenConductor extends NamedFault
{
    /** @var list<Role> */
    private array $roles;

    protected function __construct(string $slug, string $words, string $class, Role ...$roles)
    {
        parent::__construct($slug, $words, $class);
        $this->roles = array_values($roles);
    }

    public function sites(House $house): array
    {
        $rings = Ring::cablesOf($house);

        return array_values(array_filter(CoreSites::of($house, ...$this->roles), static fn (FaultSite $site): bool => !isset($rings[explode('/', $site->id)[0]]) && !Strappers::isOne($house, $site->id)));
    }

    final public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return self::opened($house, $site->things[1]);
    }

    /**
     * A core parted at a joint. The open end stays with its cable: the half of the cable's insulation and capacitance
     * that stood at the terminal hangs on the core now, and the core is still joined at its other end.
     */
    public static function opened(House $house, string $joint): Change
    {
        [$core, $end] = $house->joint($joint) ?? throw new \LogicException('A conductor opens at a joint.');
        $loose = $core->joint(3 - $end);
        $near = $core->ends[2 - $end] ?? $loose;
        $without = [$core->element()];
        $with = [];
        foreach (Shunts::of($house->cables[$core->cable], $core, $end) as [$shunt, $isFirst]) {
            $without[] = $shunt;
            $with[] = NewBranch::moved($shunt, $isFirst ? $near : null, $isFirst ? null : $near, $isFirst ? [$loose, null] : [null, $loose]);
        }

        return new Change($without, $with, $joint);
    }
}
