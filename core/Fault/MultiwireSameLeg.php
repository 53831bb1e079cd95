<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;

/** No voltage between the two lines, and the neutral carries their sum, which no breaker sees. */
final readonly class MultiwireSameLeg extends NamedFault
{
    public function __construct()
    {
        parent::__construct('multiwire-same-leg', 'Both lines of a multiwire branch on one leg');
    }

    public function sites(House $house): array
    {
        $sites = [];
        foreach (array_keys(Multiwire::all($house)) as $circuit) {
            $way = $house->parts[$house->circuits[$circuit]->way];
            $joints = 'two-pole-breaker' === $way->kind ? BoardEnds::landedOn($house, $way->terminal('in2')) : [];
            $bar = 'two-pole-breaker' === $way->kind ? BoardEnds::opposite($house, $way->terminal('in1')) : null;
            if (1 === \count($joints) && null !== $bar) {
                [$core, $end] = $house->joint($joints[0]) ?? throw new \LogicException('What is landed has a joint.');
                $sites[] = new FaultSite($circuit, [$core->joint(1 === $end ? 2 : 1), $bar], [$way->place], "of {$house->circuits[$circuit]->name}");
            }
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return Relanding::of($house, $site->things[0], $site->things[1]);
    }
}
