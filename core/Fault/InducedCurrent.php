<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Ring;

/** A conductor closed into a loop beside a loaded one: 63 µV per metre and ampere in the same cable, 20 A. */
final readonly class InducedCurrent extends NamedFault
{
    public function __construct()
    {
        parent::__construct('induced-current', 'Induced current', 'I');
    }

    private const VOLTS_PER_METRE = 63e-6 * 20.0;

    public function sites(House $house): array
    {
        $sites = [];
        foreach (Ring::all($house) as $ring) {
            $joint = Ring::joint($house, $ring->cables[0], 'E', null);
            if (null !== $joint) {
                $sites[] = new FaultSite($ring->circuit, [explode('@', $joint)[0], $ring->cables[0]], [], "in the cpc of {$house->circuits[$ring->circuit]->name}");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([$site->things[0]], [NewBranch::driven($site->things[0], self::VOLTS_PER_METRE * $house->cables[$site->things[1]]->lengthMetres->value)]);
    }
}
