<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;

/** A long switch drop couples enough into an electronic lamp to make it glow while off; the volts vanish on a low-impedance meter. */
final readonly class CapacitiveGlow extends NamedFault
{
    public function __construct()
    {
        parent::__construct('capacitive-glow', 'Lamp glows through capacitance', 'I');
    }

    private const FARADS = 2e-9;

    public function sites(House $house): array
    {
        $sites = [];
        foreach ($house->partsOfKind('light') as $light) {
            if ('led' === $light->attributes->string('lamp', 'filament') && [] !== $light->attributes->object('switchedBy')->raw) {
                $sites[] = new FaultSite($light->id, [$light->terminal('L'), $light->terminal('SL')], [$light->place], "at $light->name");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change([], [NewBranch::capacitor($site->things[0], $site->things[1], self::FARADS)]);
    }
}
